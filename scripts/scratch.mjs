import { accessSync, chmodSync, constants, mkdtempSync, rmSync, statfsSync } from 'node:fs'
import { join } from 'node:path'

// What a run of the tests writes for a moment lies in memory where there is room: a data folder asks for all of its disk
// to be written, and waits for whatever else is being written there.
const PLACE = '/dev/shm'
const LEAST_BYTES = 4e9

function roomThere() {
  try {
    accessSync(PLACE, constants.W_OK)
    const { bavail, bsize } = statfsSync(PLACE)
    return bavail * bsize > LEAST_BYTES
  } catch {
    return false
  }
}
if (process.env.JUVANT_TEST_SCRATCH === undefined && roomThere()) {
  const folder = mkdtempSync(join(PLACE, 'juvant-run-'))
  // a database server that runs as another user finds its own folder in it
  chmodSync(folder, 0o711)
  Object.assign(process.env, { JUVANT_TEST_SCRATCH: folder, TMPDIR: folder })
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
}
