import { buildIfStale, installIfNeeded } from './run.mjs'
import { pack } from './packing.mjs'

// Builds if stale, then makes release/juvant-VERSION.tgz.
installIfNeeded()
await buildIfStale()
const { path, bytes, packages } = pack()
console.log(`${path}: ${(bytes / 1e6).toFixed(1)} MB, ${packages} packages that it runs with`)
