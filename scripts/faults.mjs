import { bin, buildIfStale, installIfNeeded } from './run.mjs'

// Kills and cuts of the power while clients write; what was answered must be there.
installIfNeeded()
await buildIfStale()
process.exit(bin('tsx', ['bench/faults.ts', ...process.argv.slice(2)]))
