import { contactMinutes } from '@core/contact'
import { bodySurface, skinMap, type Coat } from '@core/dog'
import { planDrying } from '@core/drying'
import { parseLabel, Product, ProductKind } from '@core/mix'
import { waterTarget, type WaterFacts } from '@core/water'
import { DEMO } from '../demo/scenario'
import { REFERENCES } from './references'

const { dryers } = DEMO.house
const only = (kind: string) => dryers.filter((d) => d.kind === kind)

function dryingMinutes(kg: number, coat: Coat, use = dryers, crateFits = true): number {
  return planDrying({
    coat,
    surface: bodySurface(kg),
    skin: skinMap({ skin: [], skinAt: [] }),
    stage: 'adult',
    shortNose: false,
    thinSkin: false,
    dryerShy: false,
    crateShy: false,
    head: 'towel',
    topknot: false,
    mood: 'calm',
    room: { celsius: 20, humidity: 55 },
    heat: 'lowest',
    order: 'rear',
    turns: 'whole',
    dryers: use,
    crateFits,
    chamois: false,
  }).minutes.value
}

describe(`drying minutes: ${REFERENCES.dryingMinutes.source}`, () => {
  const cases: Record<(typeof REFERENCES.dryingMinutes.values)[number][0], () => number> = {
    '3 kg drop, hand dryer': () => dryingMinutes(3, { coat: 'drop', density: 'usual' }, only('hand')),
    '13 kg smooth': () => dryingMinutes(13, { coat: 'smooth', density: 'usual' }),
    '18 kg long double, velocity': () => dryingMinutes(18, { coat: 'long double', density: 'usual' }),
    '58 kg dense long double, velocity': () =>
      dryingMinutes(58, { coat: 'long double', density: 'dense' }, dryers, false),
    '25 kg full curly, 8 cm and dense': () => dryingMinutes(25, { coat: 'curly', density: 'dense', lengthCm: 8 }),
    '13 kg corded, fan': () => dryingMinutes(13, { coat: 'corded', density: 'usual' }),
  }
  test.each(REFERENCES.dryingMinutes.values)('%s takes %d to %d min', (name, least, most) => {
    const minutes = cases[name]()
    expect(minutes).toBeGreaterThanOrEqual(least)
    expect(minutes).toBeLessThanOrEqual(most)
  })
})

describe(`bath temperature: ${REFERENCES.waterTargets.source}`, () => {
  const adult: WaterFacts = {
    warmth: 'warm',
    skin: [],
    shortNose: false,
    coat: 'wire',
    roomC: 20,
    stage: 'adult',
    weightKg: 10,
  }
  const cases: Record<(typeof REFERENCES.waterTargets.values)[number][0], WaterFacts> = {
    'sound adult, warm': adult,
    'sound adult, neutral': { ...adult, warmth: 'neutral' },
    'itchy adult, warm': { ...adult, skin: ['itchy'] },
    'itchy puppy, warm': { ...adult, skin: ['itchy'], stage: 'puppy' },
    'itchy puppy, neutral': { ...adult, skin: ['itchy'], stage: 'puppy', warmth: 'neutral' },
    'inflamed adult, warm': { ...adult, skin: ['inflamed', 'itchy', 'greasy'] },
    'sound puppy, warm': { ...adult, stage: 'puppy' },
    'sound puppy, neutral': { ...adult, stage: 'puppy', warmth: 'neutral' },
    'short nose, warm': { ...adult, shortNose: true },
  }
  test.each(REFERENCES.waterTargets.values)('%s: %d °C', (name, celsius) => {
    expect(waterTarget(cases[name]).target.value).toBe(celsius)
  })

  test('a heavy double coat in a hot room goes cooler, others do not', () => {
    expect(waterTarget({ ...adult, coat: 'long double', roomC: 28 }).target.value).toBe(36)
    expect(waterTarget({ ...adult, coat: 'long double', roomC: 24 }).target.value).toBe(37.5)
    expect(waterTarget({ ...adult, coat: 'wire', roomC: 28 }).target.value).toBe(37.5)
  })

  test('the band is 2 °C each way inside 29 to 38.5, the alarm 39.5', () => {
    expect(waterTarget(adult)).toMatchObject({ low: 35.5, high: 38.5, alarm: 39.5 })
    expect(waterTarget({ ...adult, skin: ['itchy'] })).toMatchObject({ low: 31.5, high: 35.5 })
    expect(waterTarget({ ...adult, skin: ['inflamed'], warmth: 'neutral' })).toMatchObject({ low: 29, high: 32 })
  })
})

describe(`labels: ${REFERENCES.labels.source}`, () => {
  test.each(REFERENCES.labels.values)('"%s" is %d parts of water', (label, water) => {
    const read = parseLabel(label)
    expect(read.ok && read.water).toBeCloseTo(water, 2)
  })
})

describe(`contact times: ${REFERENCES.contact.source}`, () => {
  test.each(REFERENCES.contact.values)('%s stays on %d to %d min', (kind, least, most) => {
    const product = {
      ...Product.parse({ name: 'x', kind: ProductKind.parse(kind), instruction: 'as the vet wrote' }),
      id: 'x',
    }
    const minutes = contactMinutes(product, false).value
    expect(minutes).toBeGreaterThanOrEqual(least)
    expect(minutes).toBeLessThanOrEqual(most)
  })
})
