import { findingStory } from '@core/dog'
import { planVisit, todayFromRecord } from '@core/visit'
import { DEMO } from './scenario'

const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
const plans = Object.fromEntries(
  DEMO.dogs.map((d) => [d.name, planVisit(d, todayFromRecord(d, '2026-11-28'), shelf, DEMO.house)]),
)

test('fifteen dogs, seven products and a house', () => {
  expect(Object.keys(plans)).toHaveLength(15)
  expect(DEMO.products).toHaveLength(7)
})

test('the dog whose ear smells gets a stop, and only that dog', () => {
  expect(
    Object.entries(plans)
      .filter(([, p]) => p.stops.length > 0)
      .map(([name]) => name),
  ).toEqual(['Clove'])
  expect(plans.Clove!.stops[0]).toMatchObject({ code: 'stop.ear', facts: { side: 'left', signs: ['bad smell'] } })
})

test('the itchy one has cooler water, the puppy a short visit, the corded one hours', () => {
  expect(plans.Saffron!.water.target.value).toBeLessThan(plans.Pesto!.water.target.value)
  expect(plans.Wren!.handMinutes.value).toBeLessThan(60)
  expect(plans.Puck!.drying.minutes.value).toBeGreaterThan(120)
  expect(plans.Puck!.drying.choice.technique).toBe('fan')
})

test('findings belong to dogs of the scenario, and tell their story', () => {
  const findings = DEMO.findings('2026-11-28')
  for (const name of Object.keys(findings)) expect(plans[name]).toBeDefined()
  expect(
    findings
      .Bosun!.map(findingStory)
      .filter((s) => s.vet)
      .map(({ kind, side, zone }) => ({ kind, side, zone })),
  ).toEqual([{ kind: 'lump', side: 'left', zone: 'back' }])
})
