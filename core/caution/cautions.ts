import { constants, memory, practice } from '../constants'
import type { Skin, Stage } from '../dog'
import { noiseDose, protection, type LiftPlan, type Protector } from '../groomer'
import type { ProductKind, WhyNot } from '../mix'
import { said } from '../said'
import { notice, type Notice } from './notice'

declare module '../said' {
  interface Codes {
    'caution.heat': { why: ('short nose' | 'puppy' | 'senior' | 'thin skin' | 'no coat')[] }
    'caution.vet': { why: ('pregnant' | 'seizures' | 'heart disease')[] }
    'caution.fleas': None
    'caution.lift': { kg: number; index: number; advice: LiftPlan['advice'] }
    'caution.earTrouble': None
    'caution.chill': { minutes: number; roomC: number }
    'caution.scald': { hotC: number }
    'caution.noise': { dose: number; protected: boolean; level: number }
    'caution.load': { watts: number; circuitW: number }
    'caution.current': None
    'caution.pH': { product: string; pH: number }
    'caution.stronger': { product: string }
    'caution.shorter': { product: string; label: number }
    'caution.refused': { product: string; why: WhyNot }
    'caution.dries': { product: string; kind: ProductKind; skin: Skin | 'puppy' }
    'caution.strips': { product: string }
    'caution.medicatedUnasked': { product: string }
    'caution.notMedicated': { product: string | null }
  }
}

/** Where load and sound ask for a word. */
export const CAUTION = constants({
  lift: practice(1.25, 'times what one bears', [1, 1.5]),
  load: memory(0.8, 'share of the circuit', 'a common code rule for long continuous loads'),
  chillRoom: practice(22, '°C', [20, 24]),
  chillWait: practice(3, 'min', [2, 5]),
  dose: practice(50, '% of a day’s noise', [25, 100]),
  pHLow: practice(6, 'pH'),
  pHHigh: practice(8, 'pH'),
})

/** A product on the dog as a caution may ask about it. */
export interface CautionedProduct {
  id: string
  name: string
  kind: ProductKind
  pH: number | null
  labelRatio: number
  ratio: number
  contact: number
  labelContact: number | null
  /** The user's own choice in place of the reckoned one. */
  own: boolean
}

/** The facts that ask for care. Temperatures °C, loads W, weights kg. */
export interface CautionFacts {
  weightKg: number
  lift: LiftPlan
  protector: Protector
  roomC: number
  longestWait: number
  earTrouble: boolean
  refused: { name: string; why: WhyNot }[]
  stage: Stage
  shortNose: boolean
  thinSkin: boolean
  hairless: boolean
  fleas: boolean
  /** What the skin has anywhere. */
  skin: readonly Skin[]
  tender?: Skin | 'puppy'
  /** Under a vet's treatment, and no medicated product is used: the user's own in its place, or null for none on the shelf. */
  notMedicated?: { product: string | null }
  hotC: number
  pregnant: boolean
  seizures: boolean
  heart: boolean
  dryer: { name: string; watts: number; level: number; minutes: number; circuitW: number }[]
  products: CautionedProduct[]
}

function dogCautions(facts: CautionFacts): Notice[] {
  const heat = [
    facts.shortNose && ('short nose' as const),
    facts.stage !== 'adult' && facts.stage,
    facts.thinSkin && ('thin skin' as const),
    facts.hairless && ('no coat' as const),
  ].filter((f) => f !== false)
  const tell = [
    facts.pregnant && ('pregnant' as const),
    facts.seizures && ('seizures' as const),
    facts.heart && ('heart disease' as const),
  ].filter((f) => f !== false)
  const { lift, weightKg: kg, roomC, longestWait } = facts
  const chilly = roomC < CAUTION.chillRoom.value && longestWait >= CAUTION.chillWait.value
  const found: (Notice | false)[] = [
    heat.length > 0 && notice('drying', said('caution.heat', { why: heat })),
    tell.length > 0 && notice('visit', said('caution.vet', { why: tell })),
    facts.fleas && notice('bath', said('caution.fleas')),
    lift.index >= CAUTION.lift.value &&
      notice('groomer', said('caution.lift', { kg, index: lift.index, advice: lift.advice })),
    facts.earTrouble && notice('bath', said('caution.earTrouble')),
    chilly && notice('bath', said('caution.chill', { minutes: longestWait, roomC })),
  ]
  return found.filter((n) => n !== false)
}

function roomCautions(facts: CautionFacts): Notice[] {
  const heavy = facts.dryer.find((d) => d.watts > CAUTION.load.value * d.circuitW)
  const loud = facts.dryer.filter((d) => d.minutes > 0)
  const off = protection(facts.protector)
  const dose = noiseDose(loud.map((d) => ({ level: d.level - off, minutes: d.minutes })))
  const level = loud.reduce((most, d) => Math.max(most, d.level), 0)
  const found: (Notice | false | undefined)[] = [
    notice('water', said('caution.scald', { hotC: facts.hotC })),
    dose >= CAUTION.dose.value && notice('groomer', said('caution.noise', { dose, protected: off > 0, level })),
    heavy && notice('drying', said('caution.load', { watts: heavy.watts, circuitW: heavy.circuitW })),
    notice('drying', said('caution.current')),
  ]
  return found.filter((n) => n !== false && n !== undefined)
}

/** What the user's own choice does that the reckoned one would not. */
function ownChoice({ name: product, kind }: CautionedProduct, facts: CautionFacts): Notice | undefined {
  if (facts.tender !== undefined && (kind === 'degreasing' || kind === 'whitening'))
    return notice('product', said('caution.dries', { product, kind, skin: facts.tender }), product)
  if (kind === 'degreasing' && !facts.skin.includes('greasy'))
    return notice('product', said('caution.strips', { product }), product)
  if (kind === 'medicated' && !facts.skin.includes('vet-treated'))
    return notice('product', said('caution.medicatedUnasked', { product }), product)
  return undefined
}

function productCautions(facts: CautionFacts): Notice[] {
  const once = new Map<string, Notice>()
  for (const p of facts.products) {
    const own = p.own ? ownChoice(p, facts) : undefined
    const found: (Notice | false | undefined)[] = [
      own,
      p.pH !== null &&
        (p.pH < CAUTION.pHLow.value || p.pH > CAUTION.pHHigh.value) &&
        notice('product', said('caution.pH', { product: p.name, pH: p.pH }), p.id),
      p.ratio < p.labelRatio - 1e-9 && notice('product', said('caution.stronger', { product: p.name }), p.id),
      p.labelContact !== null &&
        p.contact < p.labelContact - 1e-9 &&
        notice('product', said('caution.shorter', { product: p.name, label: p.labelContact }), p.id),
    ]
    for (const n of found) if (n) once.set(n.id, n)
  }
  return [...once.values()]
}

/** The cautions that the facts give: to be read, not to be stopped by. */
export function visitCautions(facts: CautionFacts): Notice[] {
  const refused = facts.refused.map((r) =>
    notice('product', said('caution.refused', { product: r.name, why: r.why }), r.name),
  )
  const untreated = facts.notMedicated ? [notice('product', said('caution.notMedicated', facts.notMedicated))] : []
  return [...dogCautions(facts), ...untreated, ...refused, ...productCautions(facts), ...roomCautions(facts)]
}
