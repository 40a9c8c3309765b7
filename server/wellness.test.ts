import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Dog } from '@core/dog'
import { Keeper } from './backup/keeper'
import type { Db } from './db/db'
import { addDog } from './db/dogs'
import { blankFolder, MIGRATIONS, openMigrated } from './fixtures/db'
import { LEAST_FREE } from './folder'
import { Wellness } from './wellness'

let root: string
let db: Db
beforeAll(async () => {
  root = mkdtempSync(join(tmpdir(), 'juvant-well-'))
  db = await openMigrated()
  await addDog(db, Dog.parse({ name: 'Sorrel', weightKg: 9, coat: 'smooth' }))
})
afterAll(async () => {
  await db.close()
  rmSync(root, { recursive: true, force: true })
})

const [HOUR, DAY] = [3_600_000, 86_400_000]
/** A room whose clock is set, with its keeper and who looks at it. */
async function room(name: string) {
  mkdirSync(join(root, name), { recursive: true })
  const at = { now: Date.now(), free: 40e9, ends: undefined as Date | undefined }
  const backups = new Keeper(
    db,
    join(root, name),
    { blank: blankFolder(), migrations: MIGRATIONS },
    () => new Date(at.now),
  )
  const said = await backups.open()
  const wellness = new Wellness({
    db,
    backups,
    free: () => at.free,
    now: () => at.now,
    certificateEnds: () => at.ends,
  })
  const troubles = async () => (await wellness.look()).troubles.map((t) => t.what)
  return { at, backups, wellness, said, troubles, close: () => wellness.close() }
}

test('while all is well nothing is said; an old backup, a full disk, a clock put back, a certificate’s end are', async () => {
  const { at, backups, wellness, troubles, close } = await room('well')
  expect(await troubles()).toEqual([])
  at.now += 10 * 60_000
  expect(await troubles()).toEqual(['backup'])
  await backups.make()
  const well = await wellness.look()
  expect(well).toMatchObject({ keptBy: 'folder', backup: { ageMin: 0 }, waiting: 0, troubles: [] })
  expect(well.loopMs.most).toBeGreaterThanOrEqual(well.loopMs.p50)
  at.now += 47 * HOUR
  expect(await troubles()).toEqual([])
  at.now += 2 * HOUR
  expect((await wellness.look()).troubles).toEqual([
    { what: 'backup', says: 'The newest backup is 2 days old. Make one now.' },
  ])
  await backups.make()
  at.free = 2 * LEAST_FREE
  expect((await wellness.look()).troubles[0]!.says).toMatch(/The disk has 209 MB left/)
  at.free = 40e9
  at.ends = new Date(at.now + 10 * DAY)
  expect(await troubles()).toEqual(['certificate'])
  at.ends = undefined
  at.now = Date.now() - 3 * DAY - HOUR
  expect((await wellness.look()).troubles).toContainEqual({
    what: 'clock',
    says: 'The clock of this machine is 3 days before what was written last. Set it right before the next visit.',
  })
  close()
})

test('a stick that was pulled out is said at the next start, and nothing is written where it isn’t', async () => {
  const stick = join(root, 'stick')
  const first = await room('with a stick')
  await first.backups.moveTo(stick)
  expect(first.said).toBeUndefined()
  first.close()
  const again = await room('with a stick')
  expect([again.said, await again.troubles()]).toEqual([undefined, []])
  again.close()
  // its place is still there, as an empty folder
  rmSync(stick, { recursive: true })
  mkdirSync(stick)
  const without = await room('with a stick')
  expect(without.said).toMatch(/stick, isn’t there. Is the stick in\?/)
  expect(await without.troubles()).toEqual(['backup'])
  await expect(without.backups.make()).rejects.toThrow(/Is the stick in\?/)
  expect(readdirSync(stick)).toEqual([])
  without.close()
})

test('once a year a restore is to be practised: it compares what comes back, and leaves nothing', async () => {
  const { at, backups, wellness, troubles, close } = await room('practised')
  await backups.make()
  const made = await backups.state()
  at.now += 366 * DAY
  await backups.make()
  expect(made.practisedAt).toBeNull()
  expect((await wellness.look()).troubles).toEqual([
    { what: 'practise', says: 'A restore was never practised. Practise one: it takes a minute and touches nothing.' },
  ])
  await addDog(db, Dog.parse({ name: 'Teasel', weightKg: 9, coat: 'smooth' }))
  const practised = await backups.practise()
  expect(practised).toMatchObject({ apart: [], counts: { dogs: 2 }, practisedAt: new Date(at.now).toISOString() })
  expect(await troubles()).toEqual([])
  expect(readdirSync(root).filter((name) => name.includes('restored'))).toEqual([])
  close()
  // it is remembered over a start
  const again = await room('practised')
  expect((await again.backups.state()).practisedAt).toBe(practised.practisedAt)
  again.close()
})
