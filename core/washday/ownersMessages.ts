import type { WashDay } from './schema'
import type { SeatPlan } from './assemble'
import { OWNER_TIMES } from './ownerTimes'
import type { DayRun } from './run'

/** A dog as its owner is told of it: when to bring and when to fetch it, minutes of the clock. */
export interface ToldVisit {
  seatId: string
  dogId: string
  name: string
  arrive: number
  pickup: number
}

/** An owner with all the dogs that come that day: one message says it of each. */
export interface ToldOwner {
  owner: string
  contact: string
  visits: ToldVisit[]
}

/** The owners of a day, those whose first dog comes earlier first. Dogs without an owner's name are told of one by one. */
export function ownersOfDay(seats: readonly SeatPlan[], run?: Pick<DayRun, 'seats'>): ToldOwner[] {
  const step = OWNER_TIMES.roundTo.value
  /** Nobody is asked to fetch a dog before it is ready. */
  const readyOf = (id: string) => step * Math.ceil((run?.seats.find((s) => s.id === id)?.ready ?? 0) / step)
  const owners = new Map<string, ToldOwner>()
  for (const { seat, dog } of [...seats].sort((a, b) => a.seat.arrive - b.seat.arrive)) {
    const key = dog.owner === '' ? seat.id : `${dog.owner.toLowerCase()} ${dog.ownerContact}`
    const known = owners.get(key) ?? { owner: dog.owner, contact: dog.ownerContact, visits: [] }
    known.visits.push({
      seatId: seat.id,
      dogId: seat.dogId,
      name: dog.name,
      arrive: seat.arrive,
      pickup: Math.max(seat.pickup, readyOf(seat.id)),
    })
    owners.set(key, known)
  }
  return [...owners.values()]
}

/** What owners are told before a day: when to come, and the day before that it is tomorrow. */
export type ToldKind = 'times' | 'reminder'

/** That something was sent of a dog, as a tick of its day: other times are another message. */
const sentTick = (kind: ToldKind, { seatId, arrive, pickup }: ToldVisit): string =>
  `sent ${kind} ${seatId} ${arrive} ${pickup}`

/** That something was told of a dog while its day goes on, as a tick of the day: "ready", "later". */
const newsTick = (what: string, seatId: string): string => `sent news ${seatId} ${what}`
/** What was told of a dog on its day so far. */
export const newsSent = ({ ticks }: Pick<WashDay, 'ticks'>, seatId: string): string[] =>
  ticks.filter((t) => t.startsWith(newsTick('', seatId))).map((t) => t.slice(newsTick('', seatId).length))
/** The ticks of a day once something was told of a dog. */
export const ticksTold = ({ ticks }: Pick<WashDay, 'ticks'>, seatId: string, what: string): string[] => [
  ...ticks.filter((t) => t !== newsTick(what, seatId)),
  newsTick(what, seatId),
]

/** Whether an owner was told just that of every dog. */
export const wasSent = ({ ticks }: Pick<WashDay, 'ticks'>, kind: ToldKind, { visits }: ToldOwner): boolean =>
  visits.every((v) => ticks.includes(sentTick(kind, v)))

/** The ticks of a day once an owner was told, or, `sent` false, wasn't after all; of what was said before nothing is left. */
export function ticksSent(
  { ticks }: Pick<WashDay, 'ticks'>,
  kind: ToldKind,
  { visits }: ToldOwner,
  sent: boolean,
): string[] {
  const before = visits.map((v) => `sent ${kind} ${v.seatId} `)
  const others = ticks.filter((tick) => !before.some((b) => tick.startsWith(b)))
  return sent ? [...others, ...visits.map((v) => sentTick(kind, v))] : others
}
