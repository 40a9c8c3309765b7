import { COATS, coatHold, coatWords, type Coat, type Skin, type Zone } from '../dog'
import { add, note, reckon, set, start, type Reason, type Reckoned } from '../reckoned'
import { clamp, say } from '../units'
import { afterShower, appliedResidue, litresToLimit, RINSE } from './residue'

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

/** The facts that set a rinse. Surface m², flow L/min, hardness °dH. */
export interface RinseFacts {
  coat: Coat
  surface: number
  skin: readonly Skin[]
  puppy: boolean
  flow: number
  hardness: number
  hardAbove: number
}

/** A rinse between two shampoos. */
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
  between: FirstRinse[]
  last: LastRinse
  coatLitres: number
}

const TENDER: readonly Skin[] = ['sensitive', 'itchy', 'flea-bitten', 'inflamed', 'broken', 'vet-treated']

/** The residue that is little enough, mg/m²: 10, or 3 on tender or puppy skin. */
export function residueLimit(skin: readonly Skin[], puppy: boolean): Reckoned {
  const tender = TENDER.find((s) => skin.includes(s)) ?? (puppy ? 'puppy' : undefined)
  return reckon(
    'mg/m²',
    start('clean enough for sound skin', RINSE.limit.value),
    tender !== undefined && set(`${tender} skin: stricter`, RINSE.limitTender.value),
  )
}

function rinseConditions(facts: RinseFacts) {
  const coatLitres = (coatHold(facts.coat) * facts.surface) / 1000
  const efficiency = COATS.rows[facts.coat.coat].rinse
  const hard = facts.hardness > facts.hardAbove ? RINSE.hardWater.value : 1
  return { coatLitres, efficiency, hard, fingerRun: facts.surface / RINSE.fingers.value }
}

function firstRinse(facts: RinseFacts): FirstRinse {
  const { coatLitres, efficiency, hard, fingerRun } = rinseConditions(facts)
  const need = (hard * litresToLimit(1, RINSE.firstRinse.value, efficiency, coatLitres)) / facts.flow
  const run = RINSE.firstRun.value * fingerRun
  const minutes = reckon(
    'min',
    start(`once over ${say(facts.surface, 2)} m²`, run),
    add('until a twentieth of the soap is left', need),
    run + need < RINSE.leastFirst.value && set('at least a minute', RINSE.leastFirst.value),
  )
  return { minutes, litres: minutes.value * facts.flow }
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

/** Minutes of a rinse that wash out, once the fingers' run over the dog is taken off. */
function washOut(minutes: number, fingerRun: number): number {
  return Math.max(0, minutes - fingerRun)
}

/**
 * Rinses after each lather. Between shampoos to a twentieth; the last one until residue is under the
 * limit, plus a run of the fingers over the whole dog. `own` replaces the last rinse's minutes by the
 * user's. More product or less water in the mix costs minutes and litres here.
 */
export function planRinse(lathers: readonly Lather[], facts: RinseFacts, own?: Reason): RinsePlan {
  const { coatLitres, efficiency, hard, fingerRun } = rinseConditions(facts)
  const begin = lathers.reduce((left, lather) => left * RINSE.firstRinse.value + heaviest(lather), 0)
  const limit = residueLimit(facts.skin, facts.puppy)
  const usual = litresToLimit(begin, RINSE.limit.value, efficiency, coatLitres) / facts.flow
  const strict = litresToLimit(begin, limit.value, efficiency, coatLitres) / facts.flow - usual
  const reasons: (Reason | false)[] = [
    start(`fingers once over ${say(facts.surface, 2)} m²`, fingerRun),
    add(`soap out of ${say(coatLitres, 1)} L that the ${coatWords(facts.coat.coat)} holds`, usual),
    strict > 0 && add(`${limit.because[1]?.fact ?? 'strict limit'}: under ${say(limit.value)} mg/m²`, strict),
    add('hard water', (hard - 1) * (usual + strict)),
  ]
  const needed = reckon('min', ...reasons).value
  if (needed < RINSE.leastLast.value) reasons.push(set('never under two minutes', RINSE.leastLast.value))
  const minutes = reckon(
    'min',
    ...reasons,
    own ?? false,
    own ? note(`Reckoned ${say(reckon('min', ...reasons).value)} min`) : false,
  )
  const residueAt = (minute: number) =>
    afterShower(
      begin,
      efficiency,
      (facts.flow * washOut(minutes.value, fingerRun) * minute) / minutes.value / hard,
      coatLitres,
    )
  const points = 24
  return {
    between: lathers.slice(1).map(() => firstRinse(facts)),
    coatLitres,
    last: {
      minutes,
      litres: minutes.value * facts.flow,
      passes: clamp(Math.round(minutes.value / fingerRun), RINSE.fewestPasses.value, RINSE.mostPasses.value),
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
