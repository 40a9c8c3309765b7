import base from './jest.config.mjs'

/** The tests of the server once more, its tables on the PostgreSQL server at DATABASE_URL. */
export default {
  ...base,
  roots: ['<rootDir>/server'],
  // what is about the embedded database's own files
  testPathIgnorePatterns: [
    '/server/process.test.ts',
    '/server/db/db.test.ts',
    '/server/access/certificate.test.ts',
    '/server/http/fuzz.test.ts',
    '/server/backup/',
    '/server/files.test.ts',
    '/server/formats/',
    '/server/work/',
  ],
  moduleNameMapper: {
    ...base.moduleNameMapper,
    '^(\\./|\\.\\./)(db/)?db$': '<rootDir>/server/db/onServer.ts',
  },
}
