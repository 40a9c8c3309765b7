import { spawn } from 'node:child_process'
import { buildIfStale, installIfNeeded, ROOT } from './run.mjs'

// Installs if needed, builds if stale, then serves interface and API on one loopback port.
installIfNeeded()
await buildIfStale()
const server = spawn(process.execPath, ['dist/server/main.js', ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
  // it ends when this does, however that ends
  env: { ...process.env, JUVANT_STARTER: String(process.pid) },
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 1))
