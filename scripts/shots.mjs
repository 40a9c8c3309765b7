// the same demonstration whenever they are taken
process.env.JUVANT_TODAY ??= '2026-11-26'
import { chromium } from './chromium.mjs'
import { bin, buildIfStale, installIfNeeded } from './run.mjs'

// Fresh pictures of every main view, from the demonstration, into docs/screenshots.
installIfNeeded()
await buildIfStale()
const browser = chromium()
if (!browser) process.exit(1)
process.exit(bin('playwright', ['test', '-c', 'docs/shots.config.ts'], { CHROMIUM: browser }))
