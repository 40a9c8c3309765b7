import { installIfNeeded, shownBeside, types } from './run.mjs'

// Checks all types.
installIfNeeded()
process.exit((await types(shownBeside)).status)
