import { chromium, type Browser } from '@playwright/test'
import { chromium as found } from '../scripts/chromium.mjs'

/** The browser that is measured with. */
export const launch = (): Promise<Browser> =>
  chromium.launch({ executablePath: found(), args: ['--no-sandbox', '--disable-gpu'] })
