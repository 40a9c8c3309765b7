import { readFileSync } from 'node:fs'
import base from './jest.config.mjs'

const { onServer } = JSON.parse(readFileSync(new URL('server/fixtures/drivers.json', import.meta.url), 'utf8'))

/** What differs from database to database, once more on the PostgreSQL server at DATABASE_URL. */
export default {
  ...base,
  roots: ['<rootDir>/server'],
  testMatch: Object.keys(onServer).map((file) => `<rootDir>/${file}`),
  testPathIgnorePatterns: ['/node_modules/'],
}
