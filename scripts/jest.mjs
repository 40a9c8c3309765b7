import { bin, installIfNeeded } from './run.mjs'

// Jest in module mode.
installIfNeeded()
process.exit(bin('jest', process.argv.slice(2), { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' }))
