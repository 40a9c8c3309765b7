import type { WeeksFacts } from '@core/washday'
import { timeNow } from '../device/clock'
import { localMoment } from '../parts/words'
import { useMemory } from '../stores/memory'
import { useRoom } from '../stores/room'
import { days } from './days'
import { dogs } from './dogs'
import { askKept } from './queries'

/** What some weeks are reckoned from; `more`: dogs that may come on them. Throws an ApiProblem. */
export async function weeksFacts(from: string, to: string, more: readonly string[] = []): Promise<WeeksFacts> {
  const [room, memory] = [useRoom(), useMemory()]
  const [stored, standings, all] = await Promise.all([
    askKept('GET /weeks', { query: { from, to } }),
    days.standings(),
    dogs.all(),
    room.load(),
  ])
  const wanted = new Set([
    ...more,
    ...standings.map((s) => s.record.dogId),
    ...stored.flatMap((d) => d.record.seats.map((s) => s.dogId)),
  ])
  await memory.ensure([...wanted])
  return {
    from,
    to,
    days: stored.map(({ record, kept }) => ({ record, kept })),
    dogs: Object.fromEntries(
      all.filter((d) => wanted.has(d.id)).map(({ id, record }) => [id, { record, memory: memory.of(id) }]),
    ),
    standings: standings.map((s) => s.record),
    shelf: room.shelf,
    house: room.house!,
    now: localMoment(new Date(timeNow()).toISOString()),
  }
}
