import { bin, buildIfStale, installIfNeeded } from './run.mjs'

// Medians and ratios, all measured in one run.
installIfNeeded()
await buildIfStale()
process.exit(bin('tsx', ['bench/bench.ts', ...process.argv.slice(2)]))
