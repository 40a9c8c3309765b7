import { worstMats, ZONE_NAMES, ZONES, type Clearance, type ClearanceCover, type Mats, type Skin } from '../dog'
import type { EarPlan } from '../ears'
import { capital, list } from '../units'
import type { Notice } from './notice'

/** The facts that stop a visit or a step. */
export interface StopFacts {
  date: string
  clearances: readonly Clearance[]
  health: readonly string[]
  wounds: 'none' | 'small' | 'wide'
  skin: readonly Skin[]
  mats: Mats
  biteRisk: boolean
  helper: boolean
  medicatedWithoutInstruction?: string
}

/** Whether a vet's recorded word covers this on that day. A clearance of the whole visit covers everything. */
export function isCleared(clearances: readonly Clearance[], covers: ClearanceCover, date: string): boolean {
  return clearances.some((c) => (c.covers === covers || c.covers === 'whole visit') && c.on <= date && date <= c.until)
}

const stop = (id: string, scope: Notice['scope'], title: string, next: string): Notice => ({
  id,
  level: 'stop',
  scope,
  title,
  next,
})

/** The stop for one ear that shows a sign, if its plan is to stop. */
export function earStop(side: 'left' | 'right', ear: EarPlan): Notice | undefined {
  if (ear.action !== 'stop') return undefined
  const sign = ear.because[0]!.split(':')[0]
  return stop(
    `ear-${side}`,
    `${side} ear`,
    `${capital(side)} ear: ${sign}`,
    'No cleaner, no plucking, no plug. Keep water off this ear and have a vet look at it first.',
  )
}

const HEALTH_NEXT: Record<string, string> = {
  collapse: 'Call a vet now. No bath.',
  'heat stress': 'Cool, quiet place, water to drink, call a vet now. No bath.',
  'laboured breathing': 'Keep the dog upright and calm, call a vet now. No bath.',
  'suspected ringworm': 'No bath. Gloves off and hands washed; a vet first. Clean everything the dog touched.',
  'suspected scabies': 'No bath. Gloves off and hands washed; a vet first. Clean everything the dog touched.',
}

/**
 * Every stop that the facts give, ears apart. A stop is lifted by a recorded clearance alone, never by
 * another fact; a collapse, heat stress or laboured breathing by none.
 */
export function visitStops(facts: StopFacts): Notice[] {
  const cleared = (covers: ClearanceCover) => isCleared(facts.clearances, covers, facts.date)
  const stops: Notice[] = []
  for (const sign of facts.health) {
    const liftable = sign.startsWith('suspected')
    if (liftable && cleared('skin')) continue
    stops.push(stop(`health-${sign.replace(' ', '-')}`, 'visit', capital(sign), HEALTH_NEXT[sign] ?? 'A vet first.'))
  }
  if (facts.wounds === 'wide' && !cleared('wounds')) {
    stops.push(
      stop(
        'wounds',
        'visit',
        'Open or weeping wounds over a wide area',
        'No bath. A vet first; cover nothing, put nothing on.',
      ),
    )
  }
  if (facts.biteRisk && !facts.helper) {
    stops.push(
      stop(
        'bite',
        'visit',
        'May bite, and you are alone',
        'Not alone. Ask for a second person, or send the dog to a vet’s practice that can settle it.',
      ),
    )
  }
  if (worstMats(facts.mats) === 3) {
    stops.push(
      stop(
        'felted',
        'bath',
        `Coat felted to the skin: ${list(ZONES.filter((z) => facts.mats[z] === 3).map((z) => ZONE_NAMES[z]))}`,
        'No bath before it is off: water felts it tighter. Clip it off dry or refer.',
      ),
    )
  }
  const sore =
    facts.skin.find((s) => s === 'broken' || s === 'inflamed') ?? (facts.wounds !== 'none' ? 'broken' : undefined)
  if (sore && !cleared('skin') && !cleared('wounds')) {
    stops.push(
      stop(
        'skin',
        'skin',
        `${sore === 'broken' ? 'Broken' : 'Inflamed'} skin`,
        'Nothing goes on that place but what a vet ordered; no warm air on it. Wash around it.',
      ),
    )
  }
  if (facts.medicatedWithoutInstruction) {
    stops.push(
      stop(
        'medicated',
        'product',
        `${facts.medicatedWithoutInstruction}: no written instruction`,
        'It stays on the shelf until the vet’s written instruction is recorded with it.',
      ),
    )
  }
  return stops
}
