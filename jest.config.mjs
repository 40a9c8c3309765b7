import { AHEAD_MS } from './scripts/clock.mjs'

/** The moment at which the clock of every test stands. */
const RUN_BEGAN = Date.now() + AHEAD_MS

export default {
  testEnvironment: 'node',
  roots: [
    '<rootDir>/core',
    '<rootDir>/words',
    '<rootDir>/contract',
    '<rootDir>/server',
    '<rootDir>/web',
    '<rootDir>/demo',
    '<rootDir>/checks',
    '<rootDir>/docs',
  ],
  testMatch: ['**/*.test.ts'],
  // run on a PostgreSQL server, by jest.server.config.mjs
  testPathIgnorePatterns: ['/node_modules/', '/server/db/onServer.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.vue'],
  transformIgnorePatterns: [],
  globals: { RUN_BEGAN },
  fakeTimers: { now: RUN_BEGAN },
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  setupFiles: ['<rootDir>/scripts/stand-still.mjs'],
  moduleFileExtensions: ['ts', 'mjs', 'cjs', 'js', 'json', 'node', 'vue'],
  transform: {
    '^.+\\.vue$': '<rootDir>/scripts/vue-transform.mjs',
    '^.+\\.ts$': '<rootDir>/scripts/ts-transform.mjs',
    'node_modules/(zod|ical[.]js|fast-check|pure-rand|papaparse|fflate|node-forge|@electric-sql/pglite)/.+\\.(js|cjs|mjs)$':
      '<rootDir>/scripts/package-transform.mjs',
  },
  // one Vue for the components and for the library's CommonJS
  moduleNameMapper: {
    '^vue$': '<rootDir>/node_modules/vue/index.js',
    '\\.css$': '<rootDir>/scripts/no-styles.mjs',
    '^@core/(.*)$': '<rootDir>/core/$1',
    '^@words$': '<rootDir>/words/index.ts',
    '^@contract/rows$': '<rootDir>/contract/rows.ts',
    '^@contract$': '<rootDir>/contract/index.ts',
  },
  testSequencer: '<rootDir>/scripts/long-first.mjs',
  maxWorkers: 2,
  // modules of files that are over aren't all given back: a worker that holds more begins anew
  workerIdleMemoryLimit: '900MB',
  testTimeout: 60_000,
}
