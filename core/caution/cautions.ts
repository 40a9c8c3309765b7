import { constants, memory, practice } from '../constants'
import type { Skin, Stage } from '../dog'
import { noiseDose, protection, type LiftPlan, type Protector } from '../groomer'
import { capital, list, say } from '../units'
import { scaldText } from '../water'
import type { Notice } from './notice'

/** Where load and sound ask for a word. */
export const CAUTION = constants({
  load: memory(0.8, 'share of the circuit', 'a common code rule for long continuous loads'),
  chillRoom: practice(22, '°C', [20, 24]),
  chillWait: practice(3, 'min', [2, 5]),
  dose: practice(50, '% of a day’s noise', [25, 100]),
  pHLow: practice(6, 'pH'),
  pHHigh: practice(8, 'pH'),
})

/** The facts that ask for care. Temperatures °C, loads W, weights kg. */
export interface CautionFacts {
  weightKg: number
  lift: LiftPlan
  protector: Protector
  roomC: number
  longestWait: number
  earTrouble: boolean
  refused: { name: string; why: string }[]
  mismatched: { name: string; why: string }[]
  stage: Stage
  shortNose: boolean
  thinSkin: boolean
  hairless: boolean
  fleas: boolean
  skin: readonly Skin[]
  hotC: number
  pregnant: boolean
  seizures: boolean
  heart: boolean
  dryer: { name: string; watts: number; level: number; minutes: number; circuitW: number }[]
  products: {
    name: string
    pH: number | null
    labelRatio: number
    ratio: number
    contact: number
    labelContact: number | null
  }[]
}

const caution = (id: string, scope: Notice['scope'], title: string, next: string): Notice => ({
  id,
  level: 'caution',
  scope,
  title,
  next,
})

function dogCautions(facts: CautionFacts): Notice[] {
  const heatWatch = [
    facts.shortNose && 'short nose',
    facts.stage !== 'adult' && facts.stage,
    facts.thinSkin && 'thin skin',
    facts.hairless && 'no coat',
  ].filter((f): f is string => !!f)
  const tell = [facts.pregnant && 'pregnant', facts.seizures && 'seizures', facts.heart && 'heart disease'].filter(
    (f): f is string => !!f,
  )
  return [
    heatWatch.length > 0 &&
      caution(
        'heat',
        'drying',
        `Heat watch: ${list(heatWatch)}`,
        'Cool air, short stretches, stop at hard panting. Keep warm between tub and dryer.',
      ),
    tell.length > 0 &&
      caution('vet', 'visit', capital(list(tell)), 'Ask the vet before a visit that may be stressful.'),
    facts.fleas &&
      caution(
        'fleas',
        'bath',
        'Fleas',
        'A ring of lather round the neck first, then backwards. Last dog in the tub. A flea product only as its label allows for this age.',
      ),
    facts.lift.index > 1 &&
      caution(
        'lift',
        'groomer',
        `${say(facts.weightKg)} kg is ${say(facts.lift.index)} × what one lift allows`,
        facts.lift.advice,
      ),
    facts.earTrouble &&
      caution(
        'ear-trouble',
        'bath',
        'Ear trouble keeps coming back',
        'It is usually a symptom of something else: advise a vet, even when today’s ear is mild.',
      ),
    facts.roomC < CAUTION.chillRoom.value &&
      facts.longestWait >= CAUTION.chillWait.value &&
      caution(
        'chill',
        'bath',
        `Chill watch: ${say(facts.longestWait)} min wet and still at ${say(facts.roomC)} °C`,
        'Towel over the back while it stays on, no draught; stop at shivering.',
      ),
  ].filter((n): n is Notice => !!n)
}

function roomCautions(facts: CautionFacts): Notice[] {
  const heavy = facts.dryer.find((d) => d.watts > CAUTION.load.value * d.circuitW)
  const loud = facts.dryer.filter((d) => d.minutes > 0)
  const off = protection(facts.protector)
  const dose = noiseDose(loud.map((d) => ({ level: d.level - off, minutes: d.minutes })))
  const loudest = loud.reduce((most, d) => Math.max(most, d.level), 0)
  return [
    caution(
      'scald',
      'water',
      `Hot tap ${say(facts.hotC)} °C: scalds in ${scaldText(facts.hotC)} if the cold side fails`,
      'Set and test the water away from the dog, and again whenever the tap was off. A dog scalds sooner than that.',
    ),
    dose >= CAUTION.dose.value &&
      caution(
        'noise',
        'groomer',
        `Noise: ${say(dose, 0)} % of a day’s dose ${off > 0 ? 'with your protector' : 'without protection'}`,
        `${say(loudest, 0)} dBA at your ear. Wear ear protection; a hood or band for the dog.`,
      ),
    heavy &&
      caution(
        'load',
        'drying',
        `${say(heavy.watts, 0)} W on a circuit of ${say(heavy.circuitW, 0)} W`,
        'Nothing else on that circuit while it runs. The local code rules.',
      ),
    caution(
      'current',
      'drying',
      'Water and current',
      'No mains dryer within reach of the tub. Dry hands, dry floor, a residual-current device on the socket.',
    ),
  ].filter((n): n is Notice => !!n)
}

function productCautions(products: CautionFacts['products']): Notice[] {
  return products.flatMap((p) =>
    [
      p.pH !== null &&
        (p.pH < CAUTION.pHLow.value || p.pH > CAUTION.pHHigh.value) &&
        caution(
          `ph-${p.name}`,
          'product',
          `${p.name}: pH ${say(p.pH)}`,
          'Outside 6 to 8. Is the label read right? A dog’s skin is near neutral.',
        ),
      p.ratio < p.labelRatio - 1e-9 &&
        caution(
          `strong-${p.name}`,
          'product',
          `${p.name} stronger than its label`,
          'The label rules: too strong irritates, and takes longer to rinse.',
        ),
      p.labelContact !== null &&
        p.contact < p.labelContact - 1e-9 &&
        caution(
          `short-${p.name}`,
          'product',
          `${p.name} on for less than its label says`,
          `The label wants ${say(p.labelContact)} min.`,
        ),
    ].filter((n): n is Notice => !!n),
  )
}

/** The cautions that the facts give: to be read, not to be stopped by. */
export function visitCautions(facts: CautionFacts): Notice[] {
  const refused = facts.refused.map((r) =>
    caution(
      `refused-${r.name}`,
      'product',
      `${r.name} is not used`,
      `${r.why[0]!.toUpperCase()}${r.why.slice(1)}. Juvant’s own choice stands.`,
    ),
  )
  const mismatched = facts.mismatched.map((m) =>
    caution(`mismatch-${m.name}`, 'product', `${m.name}: your choice`, m.why),
  )
  return [...dogCautions(facts), ...refused, ...mismatched, ...productCautions(facts.products), ...roomCautions(facts)]
}
