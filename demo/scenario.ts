import { Dog, Finding } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { addDays } from '@core/visit'
import type { z } from 'zod'
import { accountsBefore } from './accounts'

type DogInput = z.input<typeof Dog>
type ProductInput = z.input<typeof Product>

const waxy = { wax: 2, moist: false }

const dogs: DogInput[] = [
  {
    name: 'Pesto',
    owner: 'Nadia Brandt',
    ownerContact: '07700 900100',
    breed: 'Lagotto',
    sex: 'male',
    coat: 'curly',
    weightKg: 14,
    coatLengthCm: 4,
    earCarriage: 'drop',
    earHair: true,
    known: { leftEar: waxy, rightEar: waxy },
  },
  {
    name: 'Juniper',
    owner: 'Tom Arkwright',
    ownerContact: '07700 900107',
    breed: 'Keeshond',
    sex: 'female',
    coat: 'long double',
    weightKg: 18,
    earCarriage: 'erect',
    known: { shedding: true },
  },
  {
    name: 'Moss',
    owner: 'Hal Penrose',
    ownerContact: '07700 900114',
    breed: 'Border Terrier',
    sex: 'male',
    coat: 'wire',
    weightKg: 7,
    earCarriage: 'semi',
  },
  {
    name: 'Quill',
    owner: 'Ida Moreau',
    ownerContact: '07700 900121',
    breed: 'Whippet',
    sex: 'female',
    coat: 'smooth',
    weightKg: 13,
    build: 'leggy',
    thinSkin: true,
    earCarriage: 'semi',
    known: { soil: 'light' },
  },
  {
    name: 'Bosun',
    owner: 'Greta Lindqvist',
    ownerContact: '07700 900128',
    breed: 'Newfoundland',
    sex: 'male',
    coat: 'long double',
    weightKg: 58,
    density: 'dense',
    build: 'giant',
    earCarriage: 'drop',
    notes: 'Leans into the dryer. Pulls back when a hind foot is held.',
    fears: ['feet'],
  },
  {
    name: 'Saffron',
    owner: 'Priya Nair',
    ownerContact: '07700 900135',
    breed: 'Tibetan Terrier',
    sex: 'female',
    coat: 'drop',
    weightKg: 11,
    coatLengthCm: 15,
    earCarriage: 'drop',
    earHair: true,
    known: { skin: ['itchy'] },
    fears: ['brush'],
    notes: 'Turns away from the brush; gets better with every visit.',
  },
  {
    name: 'Fig',
    owner: 'Oskar Blum',
    ownerContact: '07700 900142',
    breed: 'Pug',
    sex: 'male',
    coat: 'smooth',
    weightKg: 8,
    build: 'cobby',
    shortNose: true,
    folds: true,
    earCarriage: 'semi',
  },
  {
    name: 'Tansy',
    owner: 'Ida Moreau',
    ownerContact: '07700 900121',
    breed: 'Irish Setter',
    sex: 'female',
    coat: 'feathered',
    weightKg: 28,
    build: 'leggy',
    earCarriage: 'drop',
    mood: 'wary',
  },
  {
    name: 'Wren',
    owner: 'June Castell',
    ownerContact: '07700 900149',
    breed: 'Miniature Schnauzer',
    sex: 'female',
    coat: 'wire',
    weightKg: 2.8,
    stage: 'puppy',
    earCarriage: 'semi',
    earHair: true,
    known: { soil: 'light' },
    notes: '11 weeks old, first visit.',
  },
  {
    name: 'Puck',
    owner: 'Marek Dvorak',
    ownerContact: '07700 900156',
    breed: 'Puli',
    sex: 'male',
    coat: 'corded',
    weightKg: 13,
    coatLengthCm: 20,
    earCarriage: 'drop',
    earHair: true,
  },
  {
    name: 'Nimbus',
    owner: 'Lotte Vermeer',
    ownerContact: '07700 900163',
    breed: 'Samoyed mix',
    sex: 'male',
    coat: 'long double',
    weightKg: 22,
    white: true,
    earCarriage: 'erect',
    known: { stained: ['feet'] },
    notes: 'White, with stained feet.',
  },
  {
    name: 'Rook',
    owner: 'Sam Okoro',
    ownerContact: '07700 900170',
    breed: 'Collie mix',
    sex: 'male',
    coat: 'short double',
    weightKg: 21,
    outdoors: true,
    earCarriage: 'semi',
    known: { skin: ['flea-bitten'], fleas: true, soil: 'filthy' },
    notes: 'Farm dog, sleeps in the barn.',
  },
  {
    name: 'Pixel',
    owner: 'Ana Ferreira',
    ownerContact: '07700 900177',
    breed: 'Chinese Crested, hairless',
    sex: 'female',
    coat: 'hairless',
    weightKg: 4,
    build: 'leggy',
    thinSkin: true,
    earCarriage: 'erect',
    known: { skin: ['dry'] },
  },
  {
    name: 'Otis',
    owner: 'Ben Hathaway',
    ownerContact: '07700 900184',
    breed: 'Labrador Retriever',
    sex: 'male',
    coat: 'short double',
    weightKg: 31,
    earCarriage: 'drop',
    known: { skin: ['greasy'] },
  },
  {
    name: 'Clove',
    owner: 'Mirela Petrov',
    ownerContact: '07700 900191',
    breed: 'Cairn Terrier',
    sex: 'female',
    coat: 'wire',
    weightKg: 7,
    build: 'low',
    earCarriage: 'erect',
    earHair: true,
    known: { leftEar: { signs: ['bad smell'], wax: 2 } },
  },
]

const products: ProductInput[] = [
  { name: 'Oat Plain', sizeMl: 2000, kind: 'cleaning', ratio: '1+10', pricePerLitre: 18, pH: 7, pumpMl: 8 },
  {
    name: 'Degrease Two',
    sizeMl: 1000,
    kind: 'degreasing',
    ratio: '1+15',
    pricePerLitre: 22,
    contactMinutes: 5,
    pH: 7.6,
  },
  { name: 'Bright Coat', sizeMl: 500, kind: 'whitening', ratio: '1+8', pricePerLitre: 31, contactMinutes: 10, pH: 7.2 },
  { name: 'Calm Skin', sizeMl: 1000, kind: 'soothing', ratio: '1+12', pricePerLitre: 36, contactMinutes: 5, pH: 6.5 },
  { name: 'Soft Finish', sizeMl: 1000, kind: 'conditioner', ratio: '1+5', pricePerLitre: 19, pH: 6 },
  { name: 'Clear Ear', sizeMl: 250, kind: 'ear cleaner', ratio: 'ready to use', pricePerLitre: 60, notes: 'Mild.' },
  { name: 'Dry Ear', sizeMl: 125, kind: 'ear drying', ratio: 'ready to use', pricePerLitre: 70 },
]

/** What the last count found in every bottle, mL. */
const left = {
  'Oat Plain': 900,
  'Degrease Two': 640,
  'Bright Coat': 40,
  'Calm Skin': 480,
  'Soft Finish': 310,
  'Clear Ear': 120,
  'Dry Ear': 90,
}

const off = { name: 'heat off', heatW: 0 }

const house: z.input<typeof House> = {
  name: 'Gull Loft Wash Room',
  demonstration: true,
  groomer: 'Imre Quayle',
  contact: '555 0142',
  room: { celsius: 20, humidity: 55 },
  water: { coldC: 11, hotC: 60, flow: 7, hardness: 9, hoseM: 2.5, heater: 'tank', tankL: 200, heaterKw: 3 },
  method: 'bottle',
  dryers: [
    {
      name: 'Force dryer',
      kind: 'velocity',
      airflow: 4.5,
      nozzleMm: 40,
      motorW: 1200,
      settings: [off],
      force: 1,
      level: 94,
    },
    {
      name: 'Stand dryer',
      kind: 'stand',
      airflow: 2.2,
      nozzleMm: 60,
      motorW: 100,
      settings: [off, { name: 'low', heatW: 700 }, { name: 'warm', heatW: 1700 }],
      force: 1,
      level: 76,
    },
    {
      name: 'Hand dryer',
      kind: 'hand',
      airflow: 1.6,
      nozzleMm: 45,
      motorW: 80,
      settings: [off, { name: 'low', heatW: 600 }, { name: 'warm', heatW: 1500 }],
      force: 1,
      level: 82,
    },
    { name: 'Box fan', kind: 'fan', airflow: 50, nozzleMm: 400, motorW: 60, settings: [off], force: 1, level: 62 },
  ],
  crates: [
    { maxKg: 12, count: 2 },
    { maxKg: 30, count: 2 },
  ],
  towels: 24,
  circuits: [{ name: 'Dryer sockets', volts: 230, amps: 13 }],
  space: { floorM2: 18, heightM: 2.4 },
  helper: { name: 'Dunja', from: 11 * 60, to: 16 * 60 },
  heaterFrom: 6 * 60 + 30,
  instruments: ['thermometer', 'scale', 'hygrometer', 'power', 'sound'],
  prices: { currency: 'EUR', waterM3: 4.2, kWh: 0.32 },
  priceList: {
    services: {
      bath: [32_00, 36_00, 45_00, 58_00, 85_00],
      bathAndTidy: [38_00, 44_00, 54_00, 70_00, 98_00],
      deShed: [40_00, 46_00, 58_00, 76_00, 110_00],
      fullClip: [46_00, 54_00, 66_00, 88_00, 125_00],
      nailsAndEars: [12_00, 12_00, 14_00, 16_00, 20_00],
    },
    matsTen: 8_00,
    fleas: 10_00,
    secondDog: 10,
    hour: 35_00,
    noShow: 50,
    late: 30,
  },
}

/** What is pinned on bodies, seen so many weeks before the first Saturday. */
const findingsBefore = (saturday: string): Record<string, z.input<typeof Finding>[]> => ({
  Bosun: [
    {
      kind: 'mole',
      view: 'left',
      zone: 'neck',
      x: 0.33,
      y: 0.47,
      seen: [
        { date: addDays(saturday, -7 * 29), sizeMm: 9 },
        { date: addDays(saturday, -7 * 7), sizeMm: 9 },
      ],
    },
    {
      kind: 'lump',
      view: 'left',
      zone: 'back',
      x: 0.52,
      y: 0.42,
      seen: [
        { date: addDays(saturday, -7 * 29), sizeMm: 8, note: 'Moves under the skin.' },
        { date: addDays(saturday, -7 * 7), sizeMm: 11 },
      ],
    },
    { kind: 'mat', view: 'right', zone: 'hindlegs', x: 0.36, y: 0.55, seen: [{ date: addDays(saturday, -7 * 7) }] },
    {
      kind: 'tick',
      view: 'front',
      zone: 'neck',
      x: 0.5,
      y: 0.5,
      seen: [
        { date: addDays(saturday, -7 * 25), sizeMm: 3 },
        { date: addDays(saturday, -7 * 25), gone: true, note: 'Taken out, head and all.' },
      ],
    },
  ],
})

const at = (hour: number, minute = 0) => 60 * hour + minute

/** Who comes on the first Saturday, when, and until when it must be ready; Dunja helps. */
const saturday = [
  { dog: 'Quill', arrive: at(8), pickup: at(11) },
  { dog: 'Moss', arrive: at(8, 30), pickup: at(12) },
  { dog: 'Fig', arrive: at(9), pickup: at(13) },
  { dog: 'Pesto', arrive: at(9, 30), pickup: at(15) },
  { dog: 'Juniper', arrive: at(11), pickup: at(16) },
  { dog: 'Rook', arrive: at(12, 30), pickup: at(17) },
]

/** Who is booked on the Saturdays after it already: so many weeks later. */
const ahead = [
  { weeks: 1, dog: 'Nimbus', arrive: at(8, 30), pickup: at(11, 30) },
  { weeks: 1, dog: 'Otis', arrive: at(10), pickup: at(13) },
  { weeks: 1, dog: 'Saffron', arrive: at(13), pickup: at(16) },
  { weeks: 2, dog: 'Pixel', arrive: at(9), pickup: at(11) },
  { weeks: 2, dog: 'Quill', arrive: at(10, 30), pickup: at(13) },
  { weeks: 3, dog: 'Tansy', arrive: at(9), pickup: at(15) },
  { weeks: 3, dog: 'Fig', arrive: at(11), pickup: at(14) },
  { weeks: 3, dog: 'Moss', arrive: at(14), pickup: at(17) },
  { weeks: 4, dog: 'Pesto', arrive: at(8, 30), pickup: at(12) },
  { weeks: 4, dog: 'Wren', arrive: at(13), pickup: at(16) },
]

/** Dogs that come again and again, from the first Saturday on. */
const standings = [
  { dog: 'Tansy', rhythm: { kind: 'weeks' as const, every: 3 }, arrive: at(9), pickup: at(15) },
  { dog: 'Wren', rhythm: { kind: 'weeks' as const, every: 4 }, arrive: at(13), pickup: at(16) },
]

/** The invented wash room of the demonstration: fifteen dogs, seven products, the house and its next Saturday, checked by their schemas. */
export const DEMO = {
  dogs: dogs.map((d) => Dog.parse(d)),
  products: products.map((p) => Product.parse(p)),
  house: House.parse(house),
  findings: (saturday: string): Record<string, Finding[]> =>
    Object.fromEntries(
      Object.entries(findingsBefore(saturday)).map(([name, list]) => [name, list.map((f) => Finding.parse(f))]),
    ),
  saturday,
  ahead,
  standings,
  left,
  accounts: accountsBefore,
}
