import { isLong, type CoatType } from '../dog'
import { paceFactor } from '../groomer'
import { add, isOwn, note, reckon, start, withOwn, type Reason, type Reckoned } from '../reckoned'
import { said } from '../said'
import { towelsWorthwhile, waterAfterBath, waterForDryer } from './afterBath'
import { needsLowForce, nearHead } from './air'
import { dryByHand, handMinutes, type HandZone } from './byHand'
import { dryByItself } from './byItself'
import type { Dryer } from './dryer'
import { CURVE } from './curve'
import { wetShare, type DryingFacts } from './facts'
import type { DryingPlan, OtherWay, ZoneDrying } from './types'
import { waysOf, whyTaken, type Bar, type Way } from './ways'

declare module '../said' {
  interface Codes {
    'dry.thenBrush': None
    'dry.shortBrush': { dryer: string }
    'dry.thenWarmth': { grams: number; rate: number }
    'remind.changeHands': { every: number; breakAt: number }
    'remind.freeHand': None
    'remind.fastAir': None
    'remind.shy': None
    'remind.helper': None
    'remind.towelWrap': None
  }
}

/** What a way comes to: zones, minutes with reasons, minutes of hands and minutes alone. */
interface Dried {
  way: Way
  zones: ZoneDrying[]
  minutes: Reckoned
  handMinutes: number
  aloneMinutes: number
  dries: boolean
  combAt: number[]
  second?: Dryer
  bar?: Way['bar']
}

const roomNote = ({ room: { celsius, humidity } }: DryingFacts) => note('dry.room', { celsius, humidity })

/** Fan first, down to what a brush finishes quickly, then a short warm brush. */
function dryByBoth(way: Way, share: number, facts: DryingFacts): Dried {
  const fan = dryByItself(way, share, facts, CURVE.fanLeaves.value)
  const hand = dryByHand({ ...way, velocity: undefined }, Math.min(share, CURVE.fanLeaves.value), facts)
  const brushed = handMinutes(hand, way, facts)
  const minutes = reckon('min', ...fan.reasons, add('dry.thenBrush', {}, brushed.value), roomNote(facts))
  const zones = hand.map(({ dried }, i) => {
    const before = fan.zones[i]!
    return { ...dried, grams: before.grams, evaporatesFan: before.evaporates }
  })
  return {
    way,
    zones,
    minutes,
    handMinutes: brushed.value,
    aloneMinutes: fan.minutes,
    second: fan.second,
    dries: fan.dries,
    combAt: [],
    bar: barIn(hand, way),
  }
}

function dryAlone(way: Way, share: number, facts: DryingFacts): Dried {
  const { zones, minutes, reasons, dries, second } = dryByItself(way, share, facts, CURVE.dry.value)
  const combed = isLong(facts.coat.coat) || facts.coat.coat === 'feathered' || facts.coat.coat === 'wire'
  const times = combed ? Math.max(0, Math.floor((minutes - 1) / CURVE.combEvery.value)) : 0
  const combAt = Array.from({ length: times }, (_, i) => (i + 1) * CURVE.combEvery.value)
  const total = reckon('min', ...reasons, roomNote(facts))
  // a coat that stays damp suffers more than one that crimps
  const staysDamp = { grade: 2, against: said('bar.staysDamp', { minutes: total.value }) } as const
  const bar = dries || (way.bar?.grade ?? 0) > 2 ? way.bar : staysDamp
  return { way, zones, minutes: total, handMinutes: 0, aloneMinutes: total.value, second, dries, combAt, bar }
}

/** What speaks against a way by hand: the way's own, or a room too warm for the air at the skin of most of the dog. */
function barIn(zones: readonly HandZone[], way: Way): Way['bar'] {
  const airless = zones.find(({ dried }) => !nearHead(dried.zone) && dried.distance === null && dried.by !== 'cloth')
  if (airless) return { grade: 3, against: said('bar.roomTooWarm', { limit: airless.dried.limit }) }
  return way.bar
}

/** A puppy bears the dryer in short stretches only. */
function longForPuppy(minutes: number, facts: DryingFacts): Way['bar'] {
  const most = CURVE.puppyMost.value
  if (facts.stage !== 'puppy' || minutes <= most) return undefined
  return { grade: 1, against: said('bar.longForPuppy', { minutes: most }) }
}

/**
 * A short warm brush, then a puppy's own warmth: wrapped up in a warm room, looked in on. It is brushed for as long as
 * it takes until no more is left than dries in the longest time that it may stay wrapped up.
 */
function dryByWarmth(way: Way, share: number, facts: DryingFacts): Dried {
  const hand = dryByHand(way, share, facts)
  const whole = handMinutes(hand, way, facts)
  const after = (minutes: number) => {
    const part = whole.value > 0 ? minutes / whole.value : 0
    const left = share - (share - CURVE.dry.value) * part
    return { part, alone: dryByItself({ ...way, fan: undefined }, left, facts, CURVE.dry.value) }
  }
  let brushed = Math.min(whole.value, CURVE.shortStretch.value)
  while (brushed < whole.value && after(brushed).alone.minutes > CURVE.wrapMost.value)
    brushed = Math.min(whole.value, brushed + 1)
  const { part, alone } = after(brushed)
  const minutes = reckon(
    'min',
    start('dry.shortBrush', { dryer: way.warm!.name }, brushed),
    add('dry.thenWarmth', { grams: alone.grams, rate: alone.rate }, part < 1 ? alone.minutes : 0),
    roomNote(facts),
  )
  return {
    way,
    zones: hand.map(({ dried }) => ({
      ...dried,
      velocity: 0,
      warm: dried.warm * part,
      minutes: dried.minutes * part,
    })),
    minutes,
    handMinutes: brushed,
    aloneMinutes: part < 1 ? alone.minutes : 0,
    dries: alone.dries,
    combAt: [],
    bar: barIn(hand, way) ?? longForPuppy(brushed, facts),
  }
}

function dryByHands(way: Way, share: number, facts: DryingFacts): Dried {
  const zones = dryByHand(way, share, facts)
  const minutes = handMinutes(zones, way, facts)
  return {
    way,
    zones: zones.map((z) => z.dried),
    minutes,
    handMinutes: minutes.value,
    aloneMinutes: 0,
    dries: Number.isFinite(minutes.value),
    combAt: [],
    bar: barIn(zones, way) ?? longForPuppy(minutes.value, facts),
  }
}

function dryBy(way: Way, share: number, facts: DryingFacts): Dried {
  switch (way.technique) {
    case 'fan':
    case 'air':
      return dryAlone(way, share, facts)
    case 'fan, then brush':
      return dryByBoth(way, share, facts)
    case 'brush, then air':
      return dryByWarmth(way, share, facts)
    default:
      return dryByHands(way, share, facts)
  }
}

/** The better of two ways: what speaks less against it, then what dries at all, then the quicker. */
const byWorth = (a: Dried, b: Dried) =>
  (a.bar?.grade ?? 0) - (b.bar?.grade ?? 0) ||
  Number(b.dries) - Number(a.dries) ||
  a.minutes.value - b.minutes.value ||
  a.handMinutes - b.handMinutes

/** The best of each other technique, with why it wasn't taken. */
function othersOf(all: readonly Dried[], taken: Dried, own: boolean, coat: CoatType): OtherWay[] {
  const best = new Map<string, Dried>()
  for (const dried of all) if (!best.has(dried.way.technique)) best.set(dried.way.technique, dried)
  const reckoned = all[0]!
  return [...best.values()]
    .filter((d) => d.way.technique !== taken.way.technique)
    .map((d): OtherWay => ({
      technique: d.way.technique,
      minutes: d.minutes.value,
      handMinutes: d.handMinutes,
      dries: d.dries,
      against:
        own && d === reckoned
          ? said('bar.juvantChose', { why: whyTaken(d.way, coat) })
          : (d.bar?.against ?? said('bar.slower', { minutes: d.minutes.value - taken.minutes.value })),
    }))
}

/** What to remember while drying: hands, ears, breaks, and what a helper can do. */
function remindersFor({ way, handMinutes: hands }: Dried, dryerShy: boolean): DryingPlan['reminders'] {
  const long = hands > CURVE.longDrying.value
  const reminders: (DryingPlan['reminders'][number] | false)[] = [
    long && said('remind.changeHands', { every: CURVE.changeHands.value, breakAt: hands / 2 }),
    hands > 0 && said('remind.freeHand'),
    way.technique === 'air' && said('remind.towelWrap'),
    way.velocity !== undefined && said('remind.fastAir'),
    dryerShy && hands > 0 && said('remind.shy'),
    said('remind.helper'),
  ]
  return reminders.filter((r) => r !== false)
}

/**
 * Drying from the last rinse to dry at the skin: the water that squeeze, shake and towels leave; every way in which
 * the house could dry this dog, zone by zone, and of those the quickest that dog, skin, coat and rules bear. In each
 * zone the slower of evaporating and brushing rules; zones add. `own` replaces the total by the user's,
 * `facts.towels` the number of towels, `facts.technique` the way.
 */
export function planDrying(facts: DryingFacts, own?: Reason): DryingPlan {
  const soaked = facts.surface * wetShare(facts)
  const towels = facts.towels ?? towelsWorthwhile(facts.coat, soaked, facts.chamois)
  const stages = waterAfterBath(facts.coat, soaked, {
    squeeze: true,
    shake: true,
    towels,
    chamois: facts.chamois,
  })
  const { share } = stages[stages.length - 1]!
  const all = waysOf(facts)
    .map((way) => dryBy(way, share, facts))
    .sort(byWorth)
  const reckoned = all[0]!
  const wanted = facts.technique && all.find((d) => d.way.technique === facts.technique)
  const missing: Bar | undefined =
    facts.technique && !wanted ? said('bar.missing', { technique: facts.technique }) : undefined
  const taken = wanted ?? reckoned
  const chosen = wanted !== undefined && wanted.way.technique !== reckoned.way.technique
  const { way, bar, second, ...dried } = taken
  // long hair that somebody combs through while it dries by itself neither knots nor crimps
  const combed = bar?.against.code === 'bar.mats' && dried.combAt.length > 0
  const minutes = withOwn(dried.minutes, own)
  const scale = isOwn(minutes) && dried.minutes.value > 0 ? minutes.value / dried.minutes.value : 1
  const blown = dried.zones.reduce((sum, z) => sum + z.velocity, 0) * paceFactor(facts.mood)
  const whole = facts.turns === 'whole' && way.technique === 'velocity, then brush' && blown > 0 && !isOwn(minutes)
  return {
    ...dried,
    ...(whole ? { turns: 'whole' as const, fastMinutes: blown } : {}),
    minutes,
    handMinutes: dried.handMinutes * scale,
    aloneMinutes: dried.aloneMinutes * scale,
    choice: {
      technique: way.technique,
      velocity: way.velocity,
      warm: way.warm,
      fan: way.fan,
      ...(second ? { second } : {}),
      lowForce: way.velocity !== undefined && needsLowForce(facts),
      why: chosen ? said('way.yours') : whyTaken({ ...way, bar }, facts.coat.coat),
      ...(missing ? { against: missing } : chosen && bar && !combed ? { against: bar.against } : {}),
    },
    others: othersOf(all, taken, chosen, facts.coat.coat),
    stages,
    towels,
    water: waterForDryer(stages, towels, facts.chamois),
    reminders: remindersFor(taken, facts.dryerShy),
  }
}
