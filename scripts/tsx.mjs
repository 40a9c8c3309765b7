import { bin, installIfNeeded } from './run.mjs'

// Runs one TypeScript file of the project.
installIfNeeded()
process.exit(bin('tsx', process.argv.slice(2)))
