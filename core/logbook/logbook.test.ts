import { Dog } from '../dog'
import { oatShelf, roomWith, tapsOf, type TapDraft } from '../fixtures'
import { said } from '../said'
import { outcomeOf } from '../tubside'
import { planVisit, Today } from '../visit'
import { briefOf, logTables, suitedOf, taughtBy, totalCost, wildIn, type Brief, type Dated } from '.'

const house = roomWith({ prices: { waterM3: 4, kWh: 0.3 } })
const dog = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire' })
const today = Today.parse({ date: '2026-11-28' })
const shelf = oatShelf({ pricePerLitre: 20 })
const plan = planVisit(dog, today, shelf, house)
const whole = tapsOf(...plan.steps.map((s, i): TapDraft => ({ kind: 'step', step: s.id, minute: 2 * i })), {
  kind: 'finish',
  minute: 2 * plan.steps.length,
})
const outcome = outcomeOf({ plan, today, mood: dog.mood }, whole, house.water.flow)!
const facts = {
  visitId: 'v',
  dogId: 'moss',
  dog,
  date: today.date,
  plan,
  shelf,
  house,
  slot: [480, 540] as [number, number],
  cut: {},
}
const brief = briefOf(outcome, facts)
const some = (more: Partial<Brief>[]) => more.map((m, i): Brief => ({ ...brief, visitId: `v${i}`, ...m }))
const tableOf = (id: string, briefs: Brief[]) => logTables(briefs, 'EUR').find((t) => t.id === id)!

describe('a visit in brief', () => {
  test('adds its steps up, with bands around what was predicted', () => {
    expect(brief.minutes).toBeCloseTo(2 * plan.steps.length, 9)
    expect(brief.planned).toBeCloseTo(plan.minutes.value, 9)
    expect(brief.most[0]).toBeLessThan(brief.half[0])
    expect(brief.half[1]).toBeLessThan(brief.most[1])
    expect(brief.half[0]).toBeLessThan(brief.planned)
  })

  test('costs product by the litre, water by the cubic metre, heat by its rise', () => {
    const { cost } = brief
    expect(cost.product).toBeCloseTo((cost.productMl * 20) / 1000, 9)
    expect(cost.water).toBeCloseTo((outcome.litres.actual * 4) / 1000, 9)
    const rise = plan.water.target.value - house.water.coldC
    expect(cost.heat).toBeCloseTo(((outcome.litres.actual * rise * 4.186) / 3600) * 0.3, 9)
    expect(totalCost(cost)).toBeCloseTo(cost.product! + cost.water! + cost.heat! + cost.drying!, 9)
  })

  test('without prices no cost is claimed', () => {
    const unpriced = briefOf(outcome, { ...facts, shelf: [], house: roomWith({ ...house, prices: {} }) })
    expect(unpriced.cost).toMatchObject({ product: null, water: null, heat: null, drying: null })
    expect(totalCost(unpriced.cost)).toBeNull()
    expect(tableOf('cost', [unpriced]).says).toMatchObject({ code: 'table.mostProduct', facts: { name: 'Moss' } })
  })
})

describe('tables', () => {
  test('coverage counts what lay within the bands; stopped and left-out visits don’t count', () => {
    const band = { half: [50, 60], most: [45, 70] } as Pick<Brief, 'half' | 'most'>
    const table = tableOf(
      'predicted',
      some([
        { ...band, minutes: 55 },
        { ...band, minutes: 65 },
        { ...band, minutes: 90 },
        { ...band, minutes: 48 },
        { ...band, minutes: 200, leftOut: 'trial' },
        { ...band, minutes: 5, stoppedEarly: 'panic' },
      ]),
    )
    expect(table.rows).toHaveLength(4)
    expect(table.says).toEqual({ code: 'table.predicted', facts: { half: 25, most: 75, visits: 4 } })
  })

  test('drying is averaged by coat and dryer, the furthest from the model named', () => {
    const drying = (dryer: string, planned: number, actual: number) => ({ dryer, planned, actual })
    const table = tableOf(
      'drying',
      some([
        { drying: drying('Stand', 20, 22) },
        { drying: drying('Stand', 20, 26) },
        { drying: drying('Hand', 20, 30), coat: 'curly' },
      ]),
    )
    expect(table.rows).toEqual([
      ['curly', 'Hand', 1, 20, 30, 1.5],
      ['wire', 'Stand', 2, 20, 24, 1.2],
    ])
    expect(table.says).toEqual({ code: 'table.drying', facts: { coat: 'curly', dryer: 'Hand', ratio: 1.5 } })
  })

  test('an interval is kept within a week of the advised day', () => {
    const visits = some([
      { date: '2026-01-01', next: '2026-02-01' },
      { date: '2026-02-05', next: '2026-03-05' },
      { date: '2026-04-01', next: '2026-05-01' },
    ])
    const table = tableOf('interval', visits)
    expect(table.rows.map((r) => r[4])).toEqual([4, 27])
    expect(table.says).toEqual({ code: 'table.interval', facts: { percent: 50, later: 1, of: 2 } })
  })

  test('a day is as long as from its first dog’s beginning to its last one’s end, against its plan', () => {
    const at = (minute: number) => 60_000 * minute
    const table = tableOf(
      'days',
      some([
        { began: at(0), ended: at(60), slot: [480, 540] },
        { began: at(70), ended: at(150), slot: [540, 620] },
        { date: '2026-12-05', began: at(0), ended: at(50), slot: null },
      ]),
    )
    expect(table.rows).toEqual([
      ['2026-11-28', 2, 140, 150],
      ['2026-12-05', 1, null, 50],
    ])
    expect(table.says).toEqual({ code: 'table.days', facts: { over: 10, days: 1 } })
  })

  test('with nothing in the log every table says so', () => {
    for (const { rows, says } of logTables([], 'EUR')) {
      expect(rows).toEqual([])
      expect(says.code).toMatch(/^table[.](no|nothing)/)
    }
  })
})

test('product memory counts how skin was the next time, and claims no more', () => {
  const used = (name: string) => [{ name, amount: 10 }]
  const visits = some([
    { date: '2026-01-01', skin: ['itchy'], used: used('Calm') },
    { date: '2026-02-01', skin: [], used: used('Calm') },
    { date: '2026-03-01', skin: ['itchy', 'dry'], used: used('Calm') },
    { date: '2026-04-01', skin: ['itchy', 'dry', 'greasy'], used: used('Oat') },
    { date: '2026-05-01', skin: ['itchy', 'dry', 'greasy'], used: used('Oat') },
  ])
  const suited = suitedOf(visits)
  expect(suited.map(({ product, times, better, same, worse }) => [product, times, better, same, worse])).toEqual([
    ['Calm', 2, 1, 0, 1],
    ['Oat', 1, 0, 1, 0],
  ])
})

test('a number far from all others is set aside and shown with its visit and the reason; interrupted ones are not', () => {
  const nails = [3, 3.2, 2.9, 3.1, 2.8, 30].map((actual, i): Dated => ({
    visitId: `v${i}`,
    dog: 'moss',
    coat: 'wire',
    date: `2026-10-0${i + 1}`,
    model: 3,
    actual,
  }))
  const stopped: Dated = { ...nails[0]!, visitId: 'v9', actual: 60, setAside: said('aside.longPause') }
  expect(wildIn({ nails: [...nails, stopped] }, [brief])).toEqual([
    {
      visitId: 'v5',
      dog: 'Moss',
      date: '2026-10-06',
      kind: 'nails',
      actual: 30,
      model: 3,
      why: { code: 'aside.wild', facts: { times: expect.closeTo(10, 6) } },
    },
  ])
})

describe('what the log taught', () => {
  const months = ['2026-05', '2026-06', '2026-07', '2026-08', '2026-09', '2026-10']
  /** Six dogs twice a month with a small, regular scatter and an effect by the month and the dryer. */
  const drying = (effect: (month: string, dryer: string) => number): Dated[] =>
    months.flatMap((month, m) =>
      Array.from({ length: 6 }, (_, d) =>
        [7, 21].map((day): Dated => {
          const dryer = d % 2 === 0 ? 'Stand' : 'Hand'
          const scatter = 0.08 * Math.sin(12.9898 * (1 + m * 12 + d * 2 + (day === 7 ? 0 : 1)))
          return {
            visitId: `d${d} ${month}-${day}`,
            dog: `d${d}`,
            coat: 'wire',
            model: 30,
            actual: 30 * Math.exp(0.1 * d + scatter + effect(month, dryer)),
            date: `${month}-${String(day).padStart(2, '0')}`,
            dryer,
          }
        }),
      ).flat(),
    )
  const causes = (done: Dated[]) => taughtBy({ dry: done }, []).filter((t) => !t.id.startsWith('dog'))

  test('a dog that came mostly while a dryer was weak isn’t blamed for it', () => {
    const weakFrom = '2026-07'
    const dry = drying((month, dryer) => (dryer === 'Hand' && month >= weakFrom ? Math.log(1.4) : 0))
    const belly = dry
      .filter((d) => d.dryer === 'Stand' || (d.dog === 'd3') === d.date >= weakFrom)
      .map(({ dryer: _, ...d }): Dated => d)
    const aboutDog = (log: Record<string, Dated[]>) => taughtBy(log, []).filter((t) => t.id === 'dog d3 dry: belly')
    expect(aboutDog({ 'dry: belly': belly })).toHaveLength(1)
    expect(aboutDog({ dry, 'dry: belly': belly })).toEqual([])
  })

  test('a dog that is steadily slow is named; one that is slow now and then isn’t', () => {
    const zone = (dog: string, ratios: number[]) =>
      ratios.map((y, i): Dated => ({
        visitId: `${dog} ${i}`,
        dog,
        coat: 'wire',
        date: `2026-0${i + 1}-07`,
        model: 5,
        actual: 5 * Math.exp(y),
      }))
    const usual = ['a', 'b', 'c'].flatMap((dog) => zone(dog, [0.05, -0.05, 0.1, -0.1, 0.02, -0.02, 0.08, -0.08]))
    const named = (ratios: number[]) => taughtBy({ 'dry: ears': [...usual, ...zone('d', ratios)] }, []).map((t) => t.id)
    expect(named([0.3, 0.4, 0.32, 0.36, 0.28, 0.38, 0.34, 0.34])).toEqual(['dog d dry: ears'])
    const scattered = [0, 0.3, 0.62, 0.3, 0.02, 0.6, 0.28, 0.6]
    expect(scattered.reduce((a, b) => a + b) / 8).toBeCloseTo(0.34, 2)
    expect(named(scattered)).toEqual([])
  })

  test('a helper who is slower than who usually works is named, and the dogs she had are not', () => {
    const steps = Array.from({ length: 48 }, (_, i): Dated => {
      const helped = i % 3 === 0
      const y = (helped ? 0.5 : 0) + 0.1 * Math.sin(12.9898 * i)
      return {
        visitId: `v${i}`,
        dog: `d${i % 8}`,
        coat: 'wire',
        date: `2026-0${1 + (i % 9)}-07`,
        model: 12,
        actual: 12 * Math.exp(y),
        ...(helped ? { person: 'Dunja' } : {}),
      }
    })
    const [first, ...others] = taughtBy({ brush: steps }, [])
    expect(first!.id).toBe('person Dunja brush')
    expect(first!.what).toMatchObject({ code: 'taught.person', facts: { person: 'Dunja', kind: 'brush' } })
    expect(first!.ratio!.from).toBeLessThan(Math.exp(0.5))
    expect(others).toEqual([])
  })

  test('one weak dryer among two is told from a humid month', () => {
    const weak = causes(drying((month, dryer) => (dryer === 'Hand' && month >= '2026-09' ? Math.log(1.4) : 0)))
    expect(weak.map((t) => t.id)).toEqual(['dryer Hand since 2026-09'])
    expect(weak[0]!.ratio!.from).toBeLessThan(1.4)
    expect(weak[0]!.ratio!.to).toBeGreaterThan(1.4)
    const humid = causes(drying((month) => (month === '2026-07' ? Math.log(1.3) : 0)))
    expect(humid.map((t) => t.id)).toEqual(['month 2026-07'])
    expect(humid[0]!.what).toMatchObject({ code: 'taught.month', facts: { month: '2026-07' } })
  })

  test('scatter alone teaches nothing, nor do a handful of visits', () => {
    expect(causes(drying(() => 0))).toEqual([])
    expect(causes(drying((month) => (month === '2026-07' ? 1 : 0)).slice(0, 8))).toEqual([])
  })

  test('a place that is found damp again and again is said with its count', () => {
    const damp = some(Array.from({ length: 6 }, (_, i) => ({ damp: i < 3 ? ['forelegs' as const] : [] })))
    expect(taughtBy({}, damp).map((t) => [t.what, t.evidence])).toEqual([
      [
        { code: 'taught.damp', facts: { name: 'Moss', zone: 'forelegs' } },
        { kind: 'damp', times: 3, visits: 6 },
      ],
    ])
  })
})
