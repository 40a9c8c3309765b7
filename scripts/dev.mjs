import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { installIfNeeded, ROOT } from './run.mjs'

// The server from source, restarted on changes, and Vite's development server in front of it.
installIfNeeded()
const children = [
  ['tsx', ['watch', 'server/main.ts', ...process.argv.slice(2)]],
  ['vite', []],
].map(([name, args]) => spawn(join(ROOT, 'node_modules/.bin', name), args, { cwd: ROOT, stdio: 'inherit' }))
const leave = () => children.forEach((child) => child.kill())
for (const child of children) child.on('exit', leave)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, leave)
