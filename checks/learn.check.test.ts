import jstat from 'jstat'
import { chance, normals } from '@core/chance'
import { learnFor, lessonFacts, likelyMinutes, logRatio, normalQuantile, readLog, sift, type Done } from '@core/learn'
import { said } from '@core/said'
import { REFERENCES } from './references'

const visits = (dog: string, coat: string, ratios: readonly number[], model = 40): Done[] =>
  ratios.map((y) => ({ dog, coat, model, actual: model * Math.exp(y) }))

describe(REFERENCES.shrinkage.source, () => {
  const [[sigma2, tau2, model, mean, middle, plan]] = REFERENCES.shrinkage.values
  test('one dog alone: posterior mean, median and 70 % quantile', () => {
    const only = { step: Math.sqrt(sigma2), house: 0, coat: 0, dog: Math.sqrt(tau2) }
    const learned = learnFor(visits('a', 'wire', [0.2, 0.3, 0.1, 0.2]), { dog: 'a', coat: 'wire' }, only)
    const byHand = (4 * 0.2) / sigma2 / (1 / tau2 + 4 / sigma2)
    expect(learned.mean).toBeCloseTo(byHand, 10)
    expect(learned.mean).toBeCloseTo(mean, 4)
    expect(learned.variance).toBeCloseTo(1 / (1 / tau2 + 4 / sigma2), 10)
    const likely = likelyMinutes(learned, model, only.step)
    expect(likely.median).toBeCloseTo(middle, 2)
    expect(likely.plan).toBeCloseTo(plan, 2)
  })
})

test('normal quantiles agree with jstat and are odd around one half', () => {
  for (const share of [0.001, 0.01, 0.05, 0.1, 0.25, 0.4, 0.5, 0.7, 0.9, 0.975, 0.999]) {
    expect(normalQuantile(share)).toBeCloseTo(jstat.normal.inv(share, 0, 1), 7)
    expect(normalQuantile(share)).toBeCloseTo(-normalQuantile(1 - share), 9)
  }
  expect(normalQuantile(0.975)).toBeCloseTo(1.959964, 6)
  expect(() => normalQuantile(1)).toThrow(RangeError)
})

describe('what one dog’s visits say of others', () => {
  const slow = visits('slow', 'curly', [0.4, 0.4, 0.4, 0.4, 0.4, 0.4])
  test('most of itself, some of its coat, a little of the house; nothing is learned from nothing', () => {
    const itself = learnFor(slow, { dog: 'slow', coat: 'curly' })
    const coat = learnFor(slow, { dog: 'other', coat: 'curly' })
    const house = learnFor(slow, { dog: 'third', coat: 'wire' })
    expect(itself.mean).toBeGreaterThan(coat.mean)
    expect(coat.mean).toBeGreaterThan(house.mean)
    expect(house.mean).toBeGreaterThan(0)
    expect(itself.variance).toBeLessThan(coat.variance)
    expect(learnFor([], { dog: 'x', coat: 'wire' })).toMatchObject({ mean: 0, own: 0, all: 0 })
  })
  test('the order of visits and their grouping make no difference', () => {
    const all = [...slow, ...visits('b', 'curly', [0.1, -0.1]), ...visits('c', 'wire', [0.3])]
    const target = { dog: 'b', coat: 'curly' }
    expect(learnFor([...all].reverse(), target).mean).toBeCloseTo(learnFor(all, target).mean, 12)
  })
})

describe('what is set aside, and why', () => {
  test('interrupted steps, minutes that were not measured, and one far from the others', () => {
    const done = [
      ...visits('a', 'wire', [0, 0.1, -0.1, 0.05, 0.02, 1.6]),
      { dog: 'a', coat: 'wire', model: 10, actual: 40, setAside: said('aside.longPause') },
      { dog: 'a', coat: 'wire', model: 10, actual: 0 },
    ]
    const { kept, aside } = sift(done)
    expect(kept).toHaveLength(5)
    expect(aside.map((a) => a.why)).toEqual([
      said('aside.longPause'),
      said('aside.notMeasured'),
      said('aside.wild', { times: expect.closeTo(Math.exp(1.6), 6) as unknown as number }),
    ])
  })
  test('few visits are never called wild', () => {
    expect(sift(visits('a', 'wire', [0, 1.6])).aside).toEqual([])
    expect(logRatio({ dog: 'a', coat: 'wire', model: 0.1, actual: 0.5 })).toBe(0)
  })
})

test('a dog far from its coat’s norm is said with its visits; one within chance is not', () => {
  const about = (done: Done[], dog: string) => readLog({ 'dry: hindlegs': done })({ dog, coat: 'curly' })
  const others = ['b', 'c', 'd'].flatMap((d) => visits(d, 'curly', [0, 0.05, -0.05, 0.02]))
  const slow = [...others, ...visits('a', 'curly', [0.5, 0.45, 0.55, 0.5])]
  const lesson = about(slow, 'a')['dry: hindlegs']!
  expect(Math.exp(lesson.apart!)).toBeGreaterThan(1.2)
  expect(lessonFacts(lesson)).toMatchObject({ from: 'apart', visits: 4 })
  const usual = [...others, ...visits('a', 'curly', [0.05, -0.02, 0.01, 0])]
  expect(about(usual, 'a')['dry: hindlegs']!.apart).toBeUndefined()
  expect(lessonFacts(about(usual, 'a')['dry: hindlegs']!)).toMatchObject({ from: 'own', visits: 4 })
  const newcomer = about(others, 'new')['dry: hindlegs']!
  expect(newcomer.apart).toBeUndefined()
  expect(lessonFacts(newcomer)).toMatchObject({ from: 'coat', visits: 12 })
  expect(readLog({ wet: visits('a', 'wire', []) })({ dog: 'a', coat: 'wire' })).toEqual({})
})

test('whoever stands in for who usually works is told apart from the dogs they happened to have', () => {
  const normal = normals(11)
  const dogs = Array.from({ length: 6 }, (_, d) => ({ dog: `d${d}`, effect: 0.1 * normal() }))
  const steps = dogs.flatMap(({ dog, effect }, d) =>
    Array.from({ length: 8 }, (_, i): Done => {
      const helped = d < 3 && i % 2 === 0
      const y = effect + (helped ? 0.35 : 0) + 0.15 * normal()
      return { dog, coat: 'wire', ...(helped ? { person: 'Dunja' } : {}), model: 20, actual: 20 * Math.exp(y) }
    }),
  )
  const target = { dog: 'd0', coat: 'wire' }
  const [usual, helped] = [learnFor(steps, target), learnFor(steps, { ...target, person: 'Dunja' })]
  expect(helped.mean - usual.mean).toBeGreaterThan(0.2)
  expect(helped.mean - usual.mean).toBeLessThan(0.45)
  expect(Math.abs(usual.mean - dogs[0]!.effect)).toBeLessThan(2 * Math.sqrt(usual.variance))
  const unnamed = steps.map(({ person: _, ...d }): Done => d)
  expect(learnFor(unnamed, target).mean).toBeGreaterThan(usual.mean)
})

test('calibration: over many made-up houses the 80 % band holds 75 to 85 % of what comes next', () => {
  let [inside, all] = [0, 0]
  for (let seed = 1; seed <= 220; seed++) {
    const normal = normals(seed)
    const random = chance(seed + 5000)
    const room = 0.1 * normal()
    const coats = ['wire', 'curly', 'drop'].map((coat) => ({ coat, effect: 0.1 * normal() }))
    const dogs = Array.from({ length: 6 }, (_, i) => {
      const { coat, effect } = coats[i % 3]!
      return { dog: `d${i}`, coat, effect: room + effect + 0.15 * normal() }
    })
    const minutes = (d: (typeof dogs)[number], model: number) => model * Math.exp(d.effect + 0.2 * normal())
    const log = dogs.flatMap((d) =>
      Array.from({ length: Math.floor(6 * random()) }, () => ({
        dog: d.dog,
        coat: d.coat,
        model: 30,
        actual: minutes(d, 30),
      })),
    )
    for (const d of dogs) {
      const { most } = likelyMinutes(learnFor(log, d), 30)
      const next = minutes(d, 30)
      all++
      if (most[0] <= next && next <= most[1]) inside++
    }
  }
  expect(inside / all).toBeGreaterThan(0.75)
  expect(inside / all).toBeLessThan(0.85)
})
