import { chance } from '../chance'
import { drive, until } from '../turns'
import { makeAnnealer } from './anneal'
import { lowerBound } from './bound'
import { explainClash, type Clash } from './clash'
import { keeper, type Arrangement, type Keeper } from './keeper'
import { planFrom } from './keep'
import { buildModel } from './model'
import { thumbPlans } from './moves'
import { polish, type Temper } from './polish'
import { settleWishes } from './wishful'
import type { DayProblem, DaySchedule } from './problem'

/** No schedule was found; `clash`: the facts of which any one taken away makes the day possible, the most helpful first. */
export interface NoArrangement {
  feasible: false
  lowerBound: number
  clash: Clash[]
}

/** What searches of one day tell each other: the best days found, and points that none can beat. */
export interface Told {
  schedules: readonly DaySchedule[]
  bound: number
}

/** Another search of the same day that goes on meanwhile, by another chance or temper. */
export interface Peer {
  tell: (told: Told) => void
  /** What it has told since it was last asked. */
  told: () => Told | undefined
}

/** The seed of a search beside one by `seed`: another chance. */
export const seedBeside = (seed: number): number => seed + 7919

/** How a search is steered: a seed for repeatable chance, tries at the most, and who hears of better days. */
export interface SearchOptions {
  seed?: number
  onBetter?: (better: Arrangement) => void
  tries?: number
  /** Searches the shortest makespan alone instead of the day's objective; `objective` is then that makespan. */
  makespan?: boolean
  /** A day to begin with; its order is tried first and improved. */
  from?: DaySchedule
  /** Ends with the first day that can be done. */
  firstOnly?: boolean
  /** What it looks at most: a bit of everything unless told otherwise. */
  temper?: Temper
  /** Who hears of what it finds, and is heard; with one it isn't deterministic any more. */
  peer?: Peer
}

interface ArrangeOptions extends SearchOptions {
  shouldStop?: () => boolean
}
/**
 * Tries of annealing before the first sweep, times the dogs squared, and the share of all tries that annealing has from then on:
 * more where there are wishes, which sweeps don't see. With several pairs of hands too many orders come to the same for sweeps to
 * find much: annealing has nearly all, or half where there are wishes, until it has found nothing better for some tries; then they have most.
 */
const FIRST_ANNEALED = 10
const ANNEALED = { bare: 0.03, wishes: 0.15, several: 0.9, severalWishes: 0.5, settled: 0.1 }
/** Tries without a better day after which a search by several pairs of hands sweeps more. */
const SETTLED_TRIES = 10_000
/** The share of all tries that annealing has, when nothing better was found for so many. */
function annealedShare({ wishes, resources }: DayProblem, idle: number): number {
  const usual = wishes ? ANNEALED.wishes : ANNEALED.bare
  if (resources.hands === 1) return usual
  if (idle >= SETTLED_TRIES) return Math.max(usual, ANNEALED.settled)
  return wishes ? ANNEALED.severalWishes : ANNEALED.several
}
const EXPLAIN_TRIES = 3000
/** Tries without a better day after which wishes are left as they are, once no day is better before them. */
const WISH_TRIES = 80_000

/**
 * Searches a day step by step: starts from a day given and the rules of thumb; anneals the order in which work is
 * placed; and sweeps over the ways in which a day can begin, near the best day at first, then over all of them, the most
 * promising ones kept, more and more of them, until none had to be left out: no day is better then. Hands back
 * the best day so far every few tries, so that whoever drives it can stop or let others run. Deterministic for a seed.
 */
export function* searchDay(
  problem: DayProblem,
  options: SearchOptions = {},
): Generator<Arrangement | undefined, Arrangement | undefined> {
  const { seed = 1, tries = 200_000, firstOnly = false, makespan = false, from, temper = 'even', peer } = options
  const kept = keeper(problem, options)
  const random = chance(seed * 2654435761 + problem.dogs.length)
  // a bound above all numbers: every beginning was looked at, and none leads to a day that can be done
  const impossible = () => kept.bound() === Infinity
  // no day is better before wishes, and the wishes have had their tries
  const wished = () => (kept.bare()?.cost ?? Infinity) <= kept.bound() && kept.idle() >= WISH_TRIES
  const over = () =>
    kept.spent() >= tries ||
    impossible() ||
    kept.best()?.day.proven ||
    wished() ||
    (firstOnly && kept.best() !== undefined)
  if (from) {
    for (const by of ['begin', 'end'] as const) kept.cost(planFrom(kept.model, from, by))
    kept.offer(from)
  }
  thumbPlans(kept.model).forEach(kept.cost)
  yield kept.best()?.day
  const annealer = makeAnnealer(kept, random, { tries, makespan })
  const annealing = annealer.rounds()
  const sweeping = makespan ? undefined : polish(kept, annealer, random, temper)
  const first = FIRST_ANNEALED * problem.dogs.length ** 2
  let annealed = kept.spent()
  let sweeps = sweeping !== undefined
  const settled = new Set<DaySchedule>()
  const exchange = peer && exchanging(kept, peer)
  while (!over()) {
    exchange?.()
    const before = kept.spent()
    if (problem.wishes) {
      // a better day, or a better one before wishes: these are met around it as well as may be
      const found = [kept.best()?.day.schedule, kept.bare()?.schedule].find((s) => s && !settled.has(s))
      if (found) {
        settled.add(found)
        for (const _ of settleWishes(kept, kept.like(found))) {
          if (over()) break
          yield kept.best()?.day
        }
        if (kept.best()) settled.add(kept.best()!.day.schedule)
        continue
      }
    }
    const mine = !sweeps || annealed < first || annealed < annealedShare(problem, kept.idle()) * kept.spent()
    const { done } = (mine ? annealing : sweeping!).next()
    if (mine) annealed += kept.spent() - before
    else if (done) sweeps = false
    yield kept.best()?.day
  }
  kept.sharpen()
  exchange?.()
  return kept.best()?.day
}

/** Takes what a peer has told, and tells it what is new here. */
function exchanging(kept: Keeper, peer: Peer): () => void {
  let [best, bare] = [kept.best()?.day.schedule, kept.bare()?.schedule]
  let bound = kept.bound()
  if (best) peer.tell({ schedules: [best, ...(bare && bare !== best ? [bare] : [])], bound })
  return () => {
    const heard = peer.told()
    if (heard) {
      bound = Math.max(bound, heard.bound)
      kept.raise(heard.bound)
      for (const schedule of heard.schedules) {
        kept.offer(schedule)
        // it is known there
        if (kept.best()?.day.schedule === schedule) best = schedule
        if (kept.bare()?.schedule === schedule) bare = schedule
      }
    }
    const now = { best: kept.best()?.day.schedule, bare: kept.bare()?.schedule }
    const found = [...(now.best === best ? [] : [now.best]), ...(now.bare === bare ? [] : [now.bare])]
    if (found.length === 0 && kept.bound() <= bound) return
    ;({ best, bare } = now)
    bound = kept.bound()
    peer.tell({ schedules: [...new Set(found.filter((s) => s !== undefined))], bound })
  }
}

/** What stands in the way of a day for which no schedule was found. */
export function noDay(problem: DayProblem, seed = 1): NoArrangement {
  const best = (variant: DayProblem) =>
    drive(searchDay(variant, { seed, tries: EXPLAIN_TRIES, firstOnly: true }))?.objective
  return { feasible: false, lowerBound: lowerBound(buildModel(problem)), clash: explainClash(problem, best) }
}

/** The best day found in a number of tries, undefined when none was; nothing is said of what stands in the way. */
export function findDay(problem: DayProblem, options: SearchOptions = {}): Arrangement | undefined {
  return drive(searchDay(problem, options))
}

/**
 * Arranges a day as well as the time allows, and says what stands in the way when it can't be done.
 * Deterministic for a seed and a number of tries; any-time: `shouldStop` is asked every few tries and the
 * best day so far is answered, with an objective that none can beat.
 */
export function arrangeDay(
  problem: DayProblem,
  { shouldStop = () => false, ...options }: ArrangeOptions = {},
): Arrangement | NoArrangement {
  return drive(until(searchDay(problem, options), shouldStop)) ?? noDay(problem, options.seed)
}
