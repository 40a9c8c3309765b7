import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { bin, ROOT } from './run.mjs'

const MAKER = 'server/fixtures/make.ts'

/** What the databases of tests begin with depends on the steps and on the database itself. */
function keyOf() {
  const hash = createHash('sha256')
  const steps = readdirSync(join(ROOT, 'server/db'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
  for (const file of [...steps.sort(), join(ROOT, MAKER), join(ROOT, 'package-lock.json')])
    hash.update(readFileSync(file))
  return hash.digest('hex').slice(0, 16)
}

/** Makes what the databases of tests begin with, once until their steps change, and says where it lies. */
export default function () {
  const folder = join(ROOT, 'node_modules/.cache/juvant/beginnings', keyOf())
  if (!existsSync(join(folder, 'migrated.tar'))) {
    const status = bin('tsx', [MAKER, folder], { NODE_OPTIONS: '' })
    if (status !== 0) throw new Error(`${MAKER} failed`)
  }
  process.env.JUVANT_TEST_BEGINNINGS = folder
}
