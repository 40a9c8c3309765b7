import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { run } from './run.mjs'

// the shell is the same engine without the browser's own windows, and begins sooner
const PLACES = [
  process.env.CHROMIUM,
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
]

const found = () => PLACES.find((path) => path && existsSync(path))

const canInstall = () => process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0

/** The path of a Chromium; from Debian's packages when it is missing and may be installed, else undefined. */
export function chromium() {
  if (found()) return found()
  if (!canInstall()) {
    console.error('No Chromium found. Install it (Debian: apt-get install chromium) or name it with CHROMIUM=/path.')
    return undefined
  }
  console.log('Installing Chromium from Debian’s packages')
  run('apt-get', ['update', '-qq'])
  run('apt-get', ['install', '-y', '-qq', 'chromium-headless-shell'], { DEBIAN_FRONTEND: 'noninteractive' })
  return found()
}
