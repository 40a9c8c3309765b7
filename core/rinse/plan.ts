import { COATS, coatHold, firstSkin, surfaceShare, zonesWith, ZONES } from '../dog'
import type { Coat, CoatType, Skin, SkinMap, Zone } from '../dog'
import { add, reckon, set, start, times, withOwn, type Reason, type Reckoned } from '../reckoned'
import { clamp } from '../units'
import { appliedResidue, RINSE } from './residue'
import { litresOf, residueAfter, washOutMinutes, type RinseTool } from './tool'

declare module '../said' {
  interface Codes {
    'rinse.soundSkin': None
    'rinse.tenderSkin': { skin: Skin | 'puppy' }
    'rinse.over': { m2: number }
    'rinse.fingersOver': { m2: number }
    'rinse.toATwentieth': None
    'rinse.coatHolds': { litres: number; coat: CoatType }
    'rinse.stricter': { skin: Skin | 'puppy'; limit: number; zones: Zone[] }
    'rinse.hardWater': { hardness: number }
    'rinse.onlyZones': { zones: Zone[] }
    'rinse.loose': None
    'rinse.untilClear': None
    'rinse.passes': None
    'rinse.scratchedAfter': { date: string }
  }
}

/** One product in a lathering: mL on some zones of `surface` m² together, ratios in parts of water. */
export interface Load {
  zones: readonly Zone[]
  volume: number
  surface: number
  ratio: number
  labelRatio: number
}

/** One lathering: its products, on their zones. The zone that carries most sets the rinse for all. */
export type Lather = readonly Load[]

/** The facts that set a rinse. Surface m², hardness °dH. */
export interface RinseFacts {
  coat: Coat
  surface: number
  skin: SkinMap
  puppy: boolean
  tool: RinseTool
  hardness: number
  hardAbove: number
  /** The first rinse goes on until the water runs clear. */
  filthy?: boolean
  /** The visit after which the dog scratched, as its owner said. */
  scratched?: string
}

/** The user's own minutes of the last rinse, and own number of passes. */
export interface OwnRinse {
  minutes?: Reason
  passes?: Reason
}

/** A rinse with what it takes. */
export interface FirstRinse {
  minutes: Reckoned
  litres: number
}

/** The last rinse: how long, how many passes, and what it leaves (mg/m²), with the curve minute by minute. */
export interface LastRinse extends FirstRinse {
  passes: number
  begin: number
  end: number
  limit: Reckoned
  curve: { minute: number; residue: number }[]
}

/** All the rinses of a visit; `between` has one fewer than there were shampoos. */
export interface RinsePlan {
  tool: RinseTool['kind']
  between: FirstRinse[]
  last: LastRinse
  coatLitres: number
}

const STRICT: readonly Skin[] = ['sensitive', 'itchy', 'flea-bitten', 'inflamed', 'broken', 'vet-treated']

/** The residue that is little enough on some skin, mg/m²: 10, or 3 on tender or puppy skin. */
export function residueLimit(skin: readonly Skin[], puppy: boolean): Reckoned {
  const tender = firstSkin(skin, STRICT) ?? (puppy ? 'puppy' : undefined)
  return reckon(
    'mg/m²',
    start('rinse.soundSkin', {}, RINSE.limit.value),
    tender !== undefined && set('rinse.tenderSkin', { skin: tender }, RINSE.limitTender.value),
  )
}

function rinseConditions(facts: RinseFacts) {
  const { coat, surface } = facts
  const coatLitres = (coatHold(coat) * surface) / 1000
  const washed = {
    litres: coatLitres,
    efficiency: COATS.rows[coat.coat].rinse,
    sleek: coat.coat === 'smooth' || coat.coat === 'hairless',
  }
  const hard = facts.hardness > facts.hardAbove ? RINSE.hardWater.value : 1
  return { coatLitres, washed, hard, fingerRun: surface / RINSE.fingers.value }
}

function firstRinse(facts: RinseFacts, filthy = false): FirstRinse {
  const { washed, hard, fingerRun } = rinseConditions(facts)
  const need = hard * washOutMinutes(facts.tool, 1, RINSE.firstRinse.value, washed)
  const run = RINSE.firstRun.value * fingerRun
  const least = RINSE.leastFirst.value
  const minutes = reckon(
    'min',
    start('rinse.over', { m2: facts.surface }, run),
    add('rinse.toATwentieth', {}, need),
    filthy && times('rinse.untilClear', {}, RINSE.untilClear.value),
    run + need < least && !filthy && set('hands.atLeast', { minutes: least }, least),
  )
  return { minutes, litres: litresOf(facts.tool, minutes.value) }
}

/** Conditioner out of some zones: once over them with the fingers, never under a minute. */
export function conditionerRinse(facts: RinseFacts, zones: readonly Zone[]): FirstRinse {
  const { fingerRun } = rinseConditions(facts)
  const share = zones.length === ZONES.length ? 1 : surfaceShare(zones)
  const least = RINSE.leastFirst.value
  const minutes = reckon(
    'min',
    start('rinse.fingersOver', { m2: facts.surface }, fingerRun),
    times('rinse.onlyZones', { zones: [...zones] }, share),
    fingerRun * share < least && set('hands.atLeast', { minutes: least }, least),
  )
  return { minutes, litres: litresOf(facts.tool, minutes.value) }
}

/** Residue of the zone that carries most of a lathering, mg/m². */
function heaviest(lather: Lather): number {
  const carried = new Map<Zone, number>()
  for (const load of lather) {
    const residue = appliedResidue(load.volume, load.surface, load.ratio, load.labelRatio)
    for (const zone of load.zones) carried.set(zone, (carried.get(zone) ?? 0) + residue)
  }
  return Math.max(0, ...carried.values())
}

/** The strictest limit that some zone asks for, and the zones that ask for it. */
function strictest({ skin, puppy }: RinseFacts) {
  const zones = puppy ? [...ZONES] : zonesWith(skin, STRICT)
  const first = zones[0]
  const limit = residueLimit(first === undefined ? [] : skin.zones[first], puppy)
  const why: Skin | 'puppy' = firstSkin(first === undefined ? [] : skin.zones[first], STRICT) ?? 'puppy'
  return { zones, limit, why }
}

/**
 * Rinses after each lather, with the shower or by cup. Between shampoos to a twentieth; the last one until residue
 * is under the limit, plus a run of the fingers over the whole dog; tender places are rinsed on until theirs. `own`
 * replaces the last rinse's minutes or passes by the user's. More product or less water in the mix costs minutes
 * and litres here.
 */
export function planRinse(lathers: readonly Lather[], facts: RinseFacts, own: OwnRinse = {}): RinsePlan {
  const { coat, surface, tool } = facts
  const { coatLitres, washed, hard, fingerRun } = rinseConditions(facts)
  const begin = lathers.reduce((left, lather) => left * RINSE.firstRinse.value + heaviest(lather), 0)
  const { zones, limit, why } = strictest(facts)
  const usual = washOutMinutes(tool, begin, RINSE.limit.value, washed)
  const whole = zones.length === ZONES.length
  const strict = (washOutMinutes(tool, begin, limit.value, washed) - usual) * (whole ? 1 : surfaceShare(zones))
  const least = RINSE.leastLast.value
  const reckoned = reckon(
    'min',
    start('rinse.fingersOver', { m2: surface }, fingerRun),
    add('rinse.coatHolds', { litres: coatLitres, coat: coat.coat }, usual),
    add('rinse.stricter', { skin: why, limit: limit.value, zones }, strict),
    add('rinse.hardWater', { hardness: facts.hardness }, (hard - 1) * (usual + strict)),
    coat.loose !== undefined && times('rinse.loose', {}, 1 + (RINSE.loose.value - 1) * coat.loose),
    facts.scratched !== undefined && add('rinse.scratchedAfter', { date: facts.scratched }, fingerRun),
  )
  const needed =
    reckoned.value < least
      ? reckon('min', ...reckoned.because, set('hands.atLeast', { minutes: least }, least))
      : reckoned
  const minutes = withOwn(needed, own.minutes)
  /** Minutes in which a tender place is washed out; the others take a share of them. */
  const washing = Math.max(0, minutes.value - fingerRun)
  const share =
    usual + strict > 0
      ? (usual + (whole || zones.length === 0 ? strict : strict / surfaceShare(zones))) / (usual + strict)
      : 1
  const residueAt = (minute: number) =>
    residueAfter(tool, begin, (washing * share * minute) / minutes.value / hard, washed)
  const points = 24
  const passes = clamp(Math.round(minutes.value / fingerRun), RINSE.fewestPasses.value, RINSE.mostPasses.value)
  return {
    tool: tool.kind,
    between: lathers.slice(1).map((_, i) => firstRinse(facts, i === 0 && facts.filthy)),
    coatLitres,
    last: {
      minutes,
      litres: litresOf(tool, minutes.value),
      passes: withOwn(reckon('passes', start('rinse.passes', {}, passes)), own.passes).value,
      begin,
      end: residueAt(minutes.value),
      limit,
      curve: Array.from({ length: points + 1 }, (_, i) => {
        const minute = (minutes.value * i) / points
        return { minute, residue: residueAt(minute) }
      }),
    },
  }
}
