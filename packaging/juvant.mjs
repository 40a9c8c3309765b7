#!/usr/bin/env node
import { homedir } from 'node:os'
import { join, resolve } from 'node:path'

// Juvant as it is installed: what it keeps lies with whoever starts it, unless JUVANT_DATA names another folder.
const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Juvant needs Node 20.19 or newer; this is ${process.versions.node}.`)
  process.exit(1)
}
const own = {
  win32: () => process.env.APPDATA ?? join(homedir(), 'AppData', 'Roaming'),
  darwin: () => join(homedir(), 'Library', 'Application Support'),
}
const shared = () => process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share')
process.env.JUVANT_DATA = resolve(process.env.JUVANT_DATA ?? join((own[process.platform] ?? shared)(), 'juvant'))
process.env.JUVANT_COMMAND ??= 'juvant'
await import('../dist/server/main.js')
