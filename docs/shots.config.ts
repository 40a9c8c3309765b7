import config from '../playwright.config'

/** The same browser and server as the tests, taking pictures instead. */
export default {
  ...config,
  testDir: '.',
  testMatch: 'shots.ts',
  workers: 1,
  reporter: 'list',
  outputDir: '../test-results/shots',
}
