import fc from 'fast-check'
import { CoatType, Density, Mood, Skin, Stage, ZONES, bodySurface, coatHold, zoneWaterShares } from '../dog'
import { allOver } from '../fixtures'
import { replay } from '../reckoned'
import { CURVE } from './curve'
import {
  evaporationMinutes,
  planDrying,
  temperatureAt,
  velocityMinutes,
  zoneAdvice,
  waterAfterBath,
  type Dryer,
  type DryingFacts,
} from '.'

const off = { name: 'heat off', heatW: 0 }
const velocity: Dryer = {
  name: 'Velocity',
  kind: 'velocity',
  airflow: 4.5,
  nozzleMm: 40,
  motorW: 1200,
  settings: [off],
  force: 1,
  level: 94,
  circuit: '',
}
const stand: Dryer = {
  name: 'Stand',
  kind: 'stand',
  airflow: 2.2,
  nozzleMm: 60,
  motorW: 100,
  settings: [off, { name: 'low', heatW: 700 }, { name: 'warm', heatW: 1700 }],
  force: 1,
  level: 76,
  circuit: '',
}
const fan: Dryer = {
  name: 'Fan',
  kind: 'fan',
  airflow: 50,
  nozzleMm: 400,
  motorW: 60,
  settings: [off],
  force: 1,
  level: 62,
  circuit: '',
}
const all = [velocity, stand, fan]

const base: DryingFacts = {
  coat: { coat: 'long double', density: 'usual' },
  surface: bodySurface(18),
  skin: allOver(),
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
  turns: 'zone',
  dryers: all,
  crateFits: true,
  chamois: false,
}
const plan = (more: Partial<DryingFacts> = {}) => planDrying({ ...base, ...more })
const codes = (more: Partial<DryingFacts>) => plan(more).reminders.map((r) => r.code)

const facts: fc.Arbitrary<DryingFacts> = fc.record({
  coat: fc.record({ coat: fc.constantFrom(...CoatType.options), density: fc.constantFrom(...Density.options) }),
  surface: fc.double({ min: 0.06, max: 2.1, noNaN: true }),
  skin: fc.subarray([...Skin.options]).map((skin) => allOver(...skin)),
  stage: fc.constantFrom(...Stage.options),
  shortNose: fc.boolean(),
  thinSkin: fc.boolean(),
  dryerShy: fc.boolean(),
  crateShy: fc.boolean(),
  head: fc.constantFrom('towel' as const, 'last' as const, 'cloth' as const),
  topknot: fc.boolean(),
  mood: fc.constantFrom(...Mood.options),
  room: fc.record({
    celsius: fc.double({ min: 10, max: 40, noNaN: true }),
    humidity: fc.double({ min: 10, max: 98, noNaN: true }),
  }),
  heat: fc.constantFrom('lowest' as const, 'none' as const, 'further' as const),
  order: fc.constantFrom('rear' as const, 'shoulders' as const, 'belly' as const),
  turns: fc.constantFrom('whole', 'zone'),
  dryers: fc.subarray(all, { minLength: 1 }),
  crateFits: fc.boolean(),
  chamois: fc.boolean(),
  towels: fc.integer({ min: 0, max: 6 }),
})

describe('water after the bath', () => {
  test('is never made, only taken, and no step takes more than there is', () => {
    fc.assert(
      fc.property(facts, fc.boolean(), fc.boolean(), (f, squeeze, shake) => {
        const stages = waterAfterBath(f.coat, f.surface, { squeeze, shake, towels: f.towels!, chamois: f.chamois })
        expect(stages[0]!.grams).toBeCloseTo(coatHold(f.coat) * f.surface, 6)
        stages.slice(1).forEach((s, i) => expect(s.grams).toBeLessThanOrEqual(stages[i]!.grams + 1e-9))
        expect(stages[3]!.grams).toBeGreaterThan(0)
      }),
    )
  })

  test('squeeze and shake together leave at most 0.385 of the reachable part', () => {
    const [full, squeezed, shaken] = waterAfterBath({ coat: 'curly', density: 'usual' }, 1, {
      squeeze: true,
      shake: true,
      towels: 0,
      chamois: false,
    })
    expect(full!.grams).toBe(880)
    expect(squeezed!.grams).toBeCloseTo(528 * 0.7 + 352, 9)
    expect(shaken!.grams).toBeCloseTo(528 * 0.385 + 352, 9)
  })

  test('a towel takes half, at most 300 g; a wring of a chamois at most 120 g; a tenth stays', () => {
    const left = (towels: number, chamois = false) =>
      waterAfterBath({ coat: 'corded', density: 'usual' }, 2, { squeeze: false, shake: false, towels, chamois })[3]!
        .grams
    expect(left(0)).toBe(4000)
    expect(left(1)).toBeCloseTo(2000 - 300 + 0.8 * 2000, 9)
    expect(left(1, true)).toBeCloseTo(2000 - 120 + 0.8 * 2000, 9)
    expect(left(40)).toBeCloseTo(200 + 1600, 6)
  })
})

describe('stages of drying', () => {
  test('a velocity dryer is timed by depth, and skipped when the coat is nearly dry', () => {
    expect(velocityMinutes(0.7, 0.035, 1, 0.49)).toBeCloseTo(20, 9)
    expect(velocityMinutes(0.7, 0.035, 0.5, 0.49)).toBeCloseTo(40, 9)
    expect(velocityMinutes(0.7, 0.035, 1, 0.49, 1.5)).toBeCloseTo(30, 9)
    expect(velocityMinutes(0.7, 0.035, 1, 0.08)).toBeCloseTo(5, 9)
    expect(velocityMinutes(0.7, 0.035, 1, 0.07)).toBe(0)
  })

  test('evaporation runs at a constant rate, then a falling one', () => {
    expect(evaporationMinutes(105, 1000, 5)).toBeCloseTo(11 + 10 * Math.log(5), 9)
    expect(evaporationMinutes(50, 1000, 5)).toBeCloseTo(10 * Math.log(5), 9)
    expect(evaporationMinutes(9, 1000, 5)).toBe(0)
    expect(evaporationMinutes(100, 1000, 0)).toBe(Infinity)
  })
})

/** Two towels more, and low heat keeps up with the brush well enough in some zones. */
const towelledPuppy: DryingFacts = {
  ...base,
  coat: { coat: 'drop', density: 'thin' },
  surface: 0.54,
  stage: 'puppy',
  room: { celsius: 10, humidity: 55 },
  turns: 'whole',
  dryers: [stand],
  crateFits: false,
  towels: 2,
}

describe('a drying plan', () => {
  test('dries every zone once, its zones carry the coat’s water, its reasons make its minutes', () => {
    fc.assert(
      fc.property(facts, (f) => {
        const p = planDrying(f)
        expect(p.zones.map((z) => z.zone).sort()).toEqual([...ZONES].sort())
        expect(p.zones.reduce((sum, z) => sum + z.grams, 0)).toBeCloseTo(p.water.value, 6)
        expect(p.zones.every((z) => z.by !== 'cloth' || z.setting !== '')).toBe(true)
        expect(p.reminders.length).toBeGreaterThan(0)
        expect(replay(p.minutes.because)).toBeCloseTo(p.minutes.value, 9)
        expect(p.minutes.value).toBeGreaterThan(0)
        expect(replay(p.water.because)).toBeCloseTo(p.water.value, 9)
      }),
    )
  })

  test('no air warmer than its limit meets the coat at the distance given', () => {
    fc.assert(
      fc.property(facts, (f) => {
        const p = planDrying(f)
        for (const z of p.zones.filter((zone) => zone.by === 'warm')) {
          expect(temperatureAt(z.distance!, z.air, f.room.celsius, p.choice.warm!.nozzleMm)).toBeLessThanOrEqual(
            z.limit + 1e-9,
          )
          expect(z.distance).toBeLessThanOrEqual(0.6 + 1e-9)
        }
      }),
    )
  })

  test('more towels never lengthen a way of drying, unless a zone can do with less heat: then by no more than that is worth', () => {
    const heat = (f: DryingFacts, setting: string) =>
      f.dryers.flatMap((d) => d.settings).find((s) => s.name === setting)!.heatW
    // brushed as short as it may be and then left: whole minutes of the brush count, the air does the rest
    const worked = ({ choice, minutes }: ReturnType<typeof planDrying>) =>
      choice.technique === 'brush, then air' ? minutes.because[0]!.effect : minutes.value
    fc.assert(
      fc.property(facts, (f) => {
        const [fewer, more] = [planDrying(f), planDrying({ ...f, towels: f.towels! + 1 })]
        fc.pre(more.choice.technique === fewer.choice.technique)
        const before = new Map(fewer.zones.map((z) => [z.zone, heat(f, z.setting)]))
        const lessHeat = more.zones.some((z) => heat(f, z.setting) < before.get(z.zone)!)
        const most = worked(fewer) * (lessHeat ? CURVE.lessHeat.value : 1)
        expect(worked(more)).toBeLessThanOrEqual(most + 1e-9)
      }),
      { examples: [[towelledPuppy]] },
    )
  })

  test('sore skin, puppies and a house without heat get no warm air or gentle air', () => {
    expect(plan({ skin: allOver('inflamed') }).zones.every((z) => z.by === 'off')).toBe(true)
    expect(plan({ heat: 'none' }).zones.every((z) => z.by === 'off')).toBe(true)
    expect(plan({ stage: 'puppy' }).zones.every((z) => z.limit === 35)).toBe(true)
    expect(plan().zones.find((z) => z.zone === 'head')!.limit).toBe(35)
    expect(plan().zones.find((z) => z.zone === 'back')!.limit).toBe(45)
  })

  test('a dryer too hot for tender skin within reach is used with heat off, and says so', () => {
    const hot = { ...stand, settings: [off, { name: 'warm', heatW: 1700 }] }
    const p = plan({ dryers: [hot], skin: allOver('itchy') })
    expect(p.zones.every((z) => z.by === 'off')).toBe(true)
    expect(p.zones.every((z) => z.distance !== null && z.distance <= 0.6)).toBe(true)
  })

  test('damp air and an anxious dog lengthen it', () => {
    expect(plan({ room: { celsius: 20, humidity: 90 } }).minutes.value).toBeGreaterThan(plan().minutes.value)
    expect(plan({ mood: 'anxious' }).minutes.value).toBeCloseTo(1.5 * plan().minutes.value, 6)
  })

  test.each<[string, Partial<DryingFacts>, string]>([
    ['a double coat', {}, 'velocity, then brush'],
    ['a drop coat', { coat: { coat: 'drop', density: 'usual' } }, 'warm brush'],
    ['a corded coat', { coat: { coat: 'corded', density: 'usual' } }, 'fan'],
    ['a dog that cannot bear the dryer', { dryerShy: true }, 'fan, then brush'],
    ['the same, short coat', { dryerShy: true, coat: { coat: 'short double', density: 'usual' } }, 'fan'],
    ['a dog that bears neither dryer nor crate', { dryerShy: true, crateShy: true }, 'warm brush'],
    [
      'the same, with a coat that dries by itself',
      { dryerShy: true, crateShy: true, coat: { coat: 'short double', density: 'usual' }, surface: 0.6 },
      'air',
    ],
    ['the same, too big for the crate', { dryerShy: true, crateFits: false }, 'warm brush'],
    ['the same, curly', { dryerShy: true, coat: { coat: 'curly', density: 'usual' } }, 'fan, then brush'],
    ['a puppy', { stage: 'puppy' }, 'warm brush'],
    [
      'a puppy whose coat takes long',
      {
        stage: 'puppy',
        coat: { coat: 'curly', density: 'usual', lengthCm: 3, puppy: true },
        surface: bodySurface(5),
        room: { celsius: 22, humidity: 50 },
      },
      'brush, then air',
    ],
    ['sore skin', { skin: allOver('broken') }, 'warm brush'],
    ['a house with a fan alone', { dryers: [fan] }, 'fan'],
  ])('%s', (_what, more, technique) => {
    const { choice, others } = plan(more)
    expect(choice.technique).toBe(technique)
    expect(others.map((o) => o.technique)).not.toContain(technique)
    expect(choice.why.code).toMatch(/^way[.]/)
  })

  test('a fan in a room too damp gives up and says so', () => {
    const p = plan({ dryers: [fan], room: { celsius: 15, humidity: 97 } })
    expect(p.dries).toBe(false)
    expect(p.minutes.value).toBe(300)
  })

  test('the head by the house’s rule: towelled well it is quicker, by cloth it is two minutes and damp on purpose', () => {
    const head = (rule: DryingFacts['head']) => plan({ head: rule }).zones.find((z) => z.zone === 'head')!
    expect(head('towel').minutes).toBeLessThan(head('last').minutes)
    expect(head('cloth')).toMatchObject({ minutes: 2, by: 'cloth', damp: { code: 'damp.cloth' } })
    expect(head('towel').damp).toBeUndefined()
    expect(plan({ topknot: true }).zones.find((z) => z.zone === 'head')!.damp!.code).toBe('damp.topknot')
  })

  test('fan first, then the brush: both are counted, the hands only for the second', () => {
    const p = plan({ dryerShy: true })
    expect(p.handMinutes).toBeGreaterThan(0)
    expect(p.handMinutes).toBeLessThan(p.minutes.value)
    expect(plan({ dryerShy: true, coat: { coat: 'corded', density: 'usual' } }).handMinutes).toBe(0)
  })

  test('a coat left to a fan is combed through every half hour', () => {
    const p = plan({
      dryerShy: true,
      coat: { coat: 'wire', density: 'dense' },
      surface: 1.6,
      room: { celsius: 18, humidity: 80 },
    })
    expect(p.combAt[0]).toBe(30)
    expect(p.combAt.length).toBe(Math.floor((p.minutes.value - 1) / 30))
  })

  test('long drying by hand asks for changing hands and a break', () => {
    expect(codes({ surface: 1.5 })).toContain('remind.changeHands')
    expect(codes({ surface: 0.1, coat: { coat: 'smooth', density: 'usual' } })).not.toContain('remind.changeHands')
  })

  test('zones follow the house’s rule', () => {
    expect(plan().zones[0]!.zone).toBe('hindlegs')
    expect(plan({ order: 'belly' }).zones[0]!.zone).toBe('belly')
    expect(plan({ order: 'shoulders' }).zones[0]!.zone).toBe('back')
    expect(plan({ order: 'belly' }).zones.at(-1)!.zone).toBe('head')
  })
})

test('zone multipliers move water between zones, never the total', () => {
  for (const coat of CoatType.options) {
    expect(ZONES.reduce((sum, zone) => sum + zoneWaterShares(coat)[zone], 0)).toBeCloseTo(1, 9)
  }
  expect(zoneWaterShares('feathered').tail).toBeGreaterThan(zoneWaterShares('smooth').tail)
})

test.each<[CoatType, string]>([
  ['smooth', 'withTheLie'],
  ['curly', 'straightFromSkin'],
  ['corded', 'cordByCord'],
  ['hairless', 'patted'],
])('air goes over the back of a %s coat %s', (coat, direction) => {
  expect(zoneAdvice(coat, 'back', 'warm brush').direction).toBe(direction)
  expect(zoneAdvice(coat, 'head', 'warm brush').direction).toBe(
    coat === 'corded' ? 'awayFromEyes' : zoneAdvice('wire', 'head', 'warm brush').direction,
  )
  expect(zoneAdvice(coat, 'back', 'velocity').nozzle).toBe(coat === 'corded' ? 'gentle' : 'flat')
})
