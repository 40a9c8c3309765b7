import type { Skin, Stage } from '../dog'
import { HANDWORK, noiseDose } from '../groomer'
import { constants, memory, practice } from '../constants'
import { capital, list, say } from '../units'
import { scaldText } from '../water'
import type { Notice } from './notice'

/** Where load and sound ask for a word. */
export const CAUTION = constants({
  load: memory(0.8, 'share of the circuit', 'a common code rule for long continuous loads'),
  dose: practice(50, '% of a day’s noise', [25, 100]),
  pHLow: practice(6, 'pH'),
  pHHigh: practice(8, 'pH'),
})

/** The facts that ask for care. Temperatures °C, loads W, weights kg. */
export interface CautionFacts {
  weightKg: number
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
  dryer: { name: string; watts: number; level: number; minutes: number }[]
  circuitW: number
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
    facts.weightKg > HANDWORK.heavy.value &&
      caution(
        'lift',
        'groomer',
        `${say(facts.weightKg)} kg to lift`,
        'Ramp, steps or a second person. A live, shifting load is worse than a box.',
      ),
  ].filter((n): n is Notice => !!n)
}

function roomCautions(facts: CautionFacts): Notice[] {
  const watts = Math.max(0, ...facts.dryer.map((d) => d.watts))
  const loud = facts.dryer.filter((d) => d.minutes > 0)
  const dose = noiseDose(loud)
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
        `Noise: ${say(dose, 0)} % of a day’s dose without protection`,
        `${say(loudest, 0)} dBA at your ear. Wear ear protection; a hood or band for the dog.`,
      ),
    watts > CAUTION.load.value * facts.circuitW &&
      caution(
        'load',
        'drying',
        `${say(watts, 0)} W on a circuit of ${say(facts.circuitW, 0)} W`,
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
  return [...dogCautions(facts), ...productCautions(facts.products), ...roomCautions(facts)]
}
