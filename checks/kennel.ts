import { Dog, matsEverywhere } from '@core/dog'
import { House } from '@core/house'
import type { Done } from '@core/learn'
import { Product } from '@core/mix'
import type { Reason, Reckoned } from '@core/reckoned'
import type { Said } from '@core/said'
import { Memory, planVisit, Today, type Plan } from '@core/visit'
import { DEMO } from '../demo/scenario'
import type { Say } from '@words'
import { HAND_CASES, POODLE, SHIH_TZU, type Case } from './dogs'

const SATURDAY = '2026-11-28'

/** A visit that somebody would meet: a dog, its day, and where they differ its house, its shelf and its past. */
interface Visit {
  dog: object
  today?: object
  house?: object
  products?: object[]
  memory?: object
}

const LABRADOR = { coat: 'short double', weightKg: 31, earCarriage: 'drop' }
const CAIRN = { coat: 'wire', weightKg: 7, coatLengthCm: 5, earCarriage: 'erect' }
const SETTER = { coat: 'feathered', weightKg: 28, earCarriage: 'drop' }
const SAMOYED = { coat: 'long double', weightKg: 22, white: true, earCarriage: 'erect' }
const cleared = (covers: string) => ({ by: 'Dr. Vane', on: '2026-11-20', until: '2026-12-20', covers })
const learned = (mean: number) => ({ mean, variance: 0.01, own: 6, coat: 9, all: 30, dogs: 8 })

const FOUND: Record<string, Visit> = {
  'greasy Labrador': { dog: LABRADOR, today: { skin: ['greasy'], soil: 'filthy' } },
  'Labrador with dry, itchy skin': { dog: LABRADOR, today: { skin: ['dry', 'itchy'], soil: 'light' } },
  'Labrador with fleas': { dog: LABRADOR, today: { skin: ['flea-bitten'], fleas: true } },
  'Labrador, sore on one hind leg': {
    dog: LABRADOR,
    today: { skinAt: [{ zone: 'hindlegs', side: 'left', skin: ['inflamed'] }], wounds: 'small' },
  },
  'Labrador, greasy feet and itchy belly': {
    dog: LABRADOR,
    today: {
      skinAt: [
        { zone: 'feet', skin: ['greasy'] },
        { zone: 'belly', skin: ['itchy'] },
      ],
    },
  },
  'treated by a vet, cleared': {
    dog: { ...LABRADOR, clearances: [cleared('skin'), cleared('wounds')] },
    today: { skin: ['vet-treated', 'inflamed'] },
    products: [{ name: 'Vet Wash', kind: 'medicated', ratio: '1+4', instruction: 'Twice a week for a month.' }],
  },
  'ears full of wax, moist, hair in the way': {
    dog: { ...POODLE, earHair: true },
    today: { leftEar: { wax: 3, moist: true, hairBlocks: true }, rightEar: { wax: 1 } },
  },
  'an ear for the vet': { dog: CAIRN, today: { leftEar: { signs: ['bad smell'], wax: 2 }, rightEar: { wax: 2 } } },
  'matted Shih Tzu': { dog: SHIH_TZU, today: { mats: { ears: 1, hindlegs: 2, belly: 3 } } },
  'Poodle felted all over': { dog: POODLE, today: { mats: matsEverywhere(3) } },
  'Samoyed, stained feet, shedding': { dog: SAMOYED, today: { stained: ['feet', 'tail'], shedding: true } },
  'old Setter, wary of the dryer': {
    dog: { ...SETTER, stage: 'senior', mood: 'wary', fears: ['dryer'], heart: true },
  },
  'anxious Cairn that fears the crate': { dog: { ...CAIRN, mood: 'anxious', fears: ['crate', 'face'] } },
  'rescue that fears water': { dog: { ...CAIRN, rescue: true, fears: ['water', 'strangers'], mayBite: true } },
  'hairless, thin skin': { dog: { coat: 'hairless', weightKg: 4, thinSkin: true }, today: { skin: ['dry'] } },
  'giant, dense, with a helper': {
    dog: { coat: 'long double', weightKg: 70, density: 'dense', build: 'giant', fears: ['feet'] },
    today: { helper: true },
  },
  'toy of 1.6 kg, thin coat': { dog: { coat: 'drop', weightKg: 1.6, coatLengthCm: 6, density: 'thin', topknot: true } },
  'own numbers': {
    dog: CAIRN,
    today: {
      overrides: [
        { target: 'ratio', value: 6 },
        { target: 'water', value: 36 },
        { target: 'passes', value: 3 },
        { target: 'distance', value: 0.6 },
        { target: 'towels', value: 3 },
      ],
      minutes: [{ step: 'nails', minutes: 9 }],
    },
  },
  'three washes, blow-out first, conditioner always': {
    dog: SETTER,
    house: {
      rules: {
        washCount: 'three',
        coatPreparation: 'blow',
        conditioner: 'always',
        headDrying: 'last',
        nails: 'before',
      },
    },
  },
  'no heat, cold room, small tank': {
    dog: POODLE,
    house: {
      rules: { dryerHeat: 'none', waterWarmth: 'neutral', whitening: 'blend' },
      room: { celsius: 14, humidity: 75 },
      water: { ...DEMO.house.water, coldC: 6, tankL: 60, flow: 11, hoseM: 8 },
    },
  },
  'hot room, fan only, froth': {
    dog: SETTER,
    house: { room: { celsius: 30, humidity: 60 }, dryers: DEMO.house.dryers.filter((d) => d.kind === 'fan') },
  },
  'proportioner, hard water': {
    dog: LABRADOR,
    house: { method: 'proportioner', water: { ...DEMO.house.water, hardness: 22 } },
  },
  'froth bowl': { dog: CAIRN, house: { method: 'froth' } },
  'spray bottle': { dog: CAIRN, house: { method: 'spray' } },
  'a shelf of one': { dog: CAIRN, products: [{ name: 'Plain', kind: 'cleaning', ratio: '1:32' }] },
  'nothing on the shelf': { dog: CAIRN, products: [] },
  'own products': {
    dog: LABRADOR,
    today: {
      products: [
        { pass: 'treat', productId: 'Degrease Two', reason: 'He rolled in tar.' },
        { pass: 'conditioner', productId: 'Soft Finish' },
        { pass: 'clean', productId: 'No such bottle' },
      ],
    },
  },
  'own products that a label forbids': {
    dog: { ...LABRADOR, allergies: ['coconut'] },
    today: {
      products: [
        { pass: 'treat', productId: 'Coco' },
        { pass: 'conditioner', productId: 'Coco Soft' },
      ],
    },
    products: [
      { name: 'Plain', kind: 'cleaning', ratio: '8 %' },
      { name: 'Coco', kind: 'soothing', ratio: '1+10', contains: ['coconut'] },
      { name: 'Coco Soft', kind: 'conditioner', ratio: '1+5', contains: ['coconut'] },
    ],
  },
  'chamois, own dryer distance, one force dryer': {
    dog: LABRADOR,
    today: { overrides: [{ target: 'distance', value: 0.1 }], technique: 'warm brush' },
    house: { chamois: true },
  },
  'by hand dryer alone, another way wanted': {
    dog: SETTER,
    today: { technique: 'air' },
    house: {
      dryers: [
        {
          name: 'Hand',
          kind: 'hand',
          airflow: 1.6,
          nozzleMm: 45,
          motorW: 80,
          settings: [
            { name: 'heat off', heatW: 0 },
            { name: 'warm', heatW: 1200 },
          ],
          level: 82,
        },
      ],
    },
  },
  'wire and feathered coats, texture': {
    dog: SETTER,
    products: [
      { name: 'Plain', kind: 'cleaning', ratio: '1:10' },
      { name: 'Crisp', kind: 'texturing', ratio: '1:8' },
      { name: 'Clean Face', kind: 'tear-free', ratio: '1:5' },
    ],
  },
  'old and hairless, water hardly felt': {
    dog: { coat: 'hairless', weightKg: 3.2, stage: 'senior', breed: 'Chinese Crested, hairless' },
    today: { weightKg: 5.2 },
    house: { rules: { waterWarmth: 'neutral' }, room: { celsius: 16, humidity: 40 } },
  },
  'greasy, water hardly felt': {
    dog: LABRADOR,
    today: { skin: ['greasy'] },
    house: { rules: { waterWarmth: 'neutral' } },
  },
  'long coat that knots, blown out, shedding': {
    dog: { coat: 'long double', weightKg: 20, coatLengthCm: 12, breed: 'Pug' },
    today: { shedding: true, technique: 'warm brush' },
    house: { rules: { coatPreparation: 'blow' } },
  },
  'treated by a vet, own product': {
    dog: { ...LABRADOR, clearances: [cleared('skin')] },
    today: { skin: ['vet-treated'], products: [{ pass: 'treat', productId: 'Calm Skin' }] },
  },
  'known from six visits': {
    dog: CAIRN,
    memory: {
      lessons: { lather: learned(0.3), brush: learned(0.35), 'dry: hindlegs': learned(-0.2) },
      damp: [{ zone: 'feet', visits: 3 }],
      happened: [{ date: '2026-10-30', what: 'slip or jump', step: null }],
    },
  },
}

const asVisit = ([dog, today]: Case): Visit => ({ dog, today })

/** Dogs of every kind and state by a name, and what is planned for them. */
export const KENNEL: Record<string, Visit> = {
  ...Object.fromEntries(Object.entries(HAND_CASES).map(([name, c]) => [name, asVisit(c)])),
  ...FOUND,
}

/** The plan of a visit in the demonstration's house, or where it says so in its own. */
export function planned({ dog, today, house, products, memory }: Visit): Plan {
  const shelf = products?.map((p) => Product.parse(p)) ?? DEMO.products
  return planVisit(
    Dog.parse({ name: 'Fig', ...dog }),
    Today.parse({ date: SATURDAY, ...today }),
    shelf.map((p) => ({ ...p, id: p.name })),
    House.parse({ ...DEMO.house, ...house }),
    memory && Memory.parse(memory),
  )
}

const isSaid = (value: object): value is Said => 'code' in value && 'facts' in value
const isReckoned = (value: object): value is Reckoned => 'because' in value && 'unit' in value
const isReason = (value: object): value is Reason => 'how' in value && 'effect' in value
/** A product or a dryer of the house, told by its name. */
const isThing = (value: object): value is { name: string } =>
  'name' in value && 'kind' in value && ('form' in value || 'motorW' in value)
const rounded = (value: number): string => String(Number((Math.round(value * 1e6) / 1e6).toPrecision(4)))

/** A value on one line, or nothing where it needs several. */
function onOneLine(value: unknown, say: Say): string | undefined {
  if (typeof value === 'number') return rounded(value)
  if (value === null || typeof value !== 'object') return String(value)
  if (isReason(value)) return `${value.how} ${rounded(value.effect)} ${value.by} ${say.said(value)}`
  if (isSaid(value)) return say.said(value)
  if (isThing(value)) return value.name
  if (isReckoned(value)) {
    const reasons = value.because.map((reason) => onOneLine(reason, say))
    return `${rounded(value.value)} ${value.unit}${reasons.length > 1 ? ` = ${reasons.join(' / ')}` : ''}`
  }
  const lines = Object.entries(value)
    .filter(([, inner]) => inner !== undefined)
    .map(([key, inner]) => {
      const line = onOneLine(inner, say)
      return line === undefined || Array.isArray(value) ? line : `${key} ${line}`
    })
  if (lines.includes(undefined)) return undefined
  const line = lines.join(', ')
  return line.length > 320 ? undefined : `(${line})`
}

/** A plan with all its numbers, four figures each, and its sentences: line by line, deeper parts indented. */
export function told(value: unknown, say: Say, indent = ''): string {
  if (value === null || typeof value !== 'object') return `${indent}${onOneLine(value, say)}\n`
  return Object.entries(value)
    .filter(([, inner]) => inner !== undefined)
    .map(([key, inner]) => {
      const line = onOneLine(inner, say)
      if (line !== undefined) return `${indent}${key}: ${line}\n`
      return `${indent}${key}:\n${told(inner, say, `${indent}  `)}`
    })
    .join('')
}

/** Visits of three dogs of two coats, the first slower than planned and the last one far off, by one step. */
export const PAST: readonly Done[] = [
  ...[0.3, 0.2, 0.4, 0.35, 0.25].map((y) => ({ dog: 'slow', coat: 'curly', model: 12, actual: 12 * Math.exp(y) })),
  ...[0, 0.1, -0.1, 0.05].map((y) => ({ dog: 'usual', coat: 'curly', model: 20, actual: 20 * Math.exp(y) })),
  ...[0.1, -0.2, 0, 0.05, 1.7].map((y) => ({ dog: 'quick', coat: 'wire', model: 8, actual: 8 * Math.exp(y) })),
]
