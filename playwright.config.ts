import { join } from 'node:path'
import { defineConfig } from '@playwright/test'
// sets the clock of the run, which workers and what they start inherit
import './scripts/clock.mjs'
import { chromium } from './scripts/chromium.mjs'
import './scripts/scratch.mjs'

/**
 * The built program in headless Chromium: a server with demonstration data for each worker. The limits of time
 * are wide: how quick things are is measured by the bench, not asked here.
 */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: join(import.meta.dirname, 'e2e/setup.ts'),
  workers: 2,
  timeout: 240_000,
  expect: {
    timeout: 45_000,
    // letters are drawn a little otherwise by another version of the browser; a thing that moved is more than that
    toHaveScreenshot: { maxDiffPixelRatio: 0.02, threshold: 0.25 },
  },
  snapshotPathTemplate: '{testDir}/photographs/{arg}.png',
  forbidOnly: !!process.env.CI,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // where a test is about working without network it allows them
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: chromium(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // pages here are short-lived: they needn’t be tidied while they work
        '--js-flags=--min-semi-space-size=32',
      ],
    },
  },
})
