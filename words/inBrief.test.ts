import { dayFacts } from '@core/fixtures'
import { Today } from '@core/visit'
import { planSeats } from '@core/washday'
import {
  careInBrief,
  dryInBrief,
  earsInBrief,
  foundInBrief,
  handlingInBrief,
  lastInBrief,
  METRIC_SAY,
  noticeTitle,
  rinseInBrief,
  stepsInBrief,
  washesWords,
  washInBrief,
  waterInBrief,
} from '.'

const [{ plan }] = planSeats(dayFacts(['Ash'])) as [ReturnType<typeof planSeats>[number]]
const say = METRIC_SAY

test('each answer of a recipe in one line has what counts, with its unit, and what belongs to it', () => {
  const [main] = plan.mix.bottles
  const wash = washInBrief(plan, say)
  expect(wash.big).toMatch(/^1 part \+ \d+(\.\d)? water$/)
  expect(wash.more).toContain(
    `${main!.product.name} ${say.volume(main!.productMl)} + ${say.volume(main!.waterMl)} water`,
  )
  expect(waterInBrief(plan.water, say)).toEqual({
    big: say.temperature(plan.water.target.value),
    more: `At the nozzle, ${say.litres(plan.water.litres.value, 0)} in all.`,
  })
  expect(rinseInBrief(plan.rinse, say).big).toMatch(/^\d+ pass(es)?$/)
  const dry = dryInBrief(plan.drying, say)
  expect(dry.big).toBe(say.minutes(plan.drying.minutes.value))
  expect(dry.more.length).toBeGreaterThan(5)
  expect(handlingInBrief(plan, say)).toMatch(/^(One person|Two people)/)
  expect(handlingInBrief(plan, say)).toContain(`Again on ${say.date(plan.next.date, 'day')}`)
  const alone = {
    ...plan.handling,
    people: 1 as const,
    notes: [{ code: 'handle.twoPeople' as const, facts: { helper: false } }],
  }
  expect(handlingInBrief({ ...plan, handling: alone }, say)).toMatch(/^One person, better two/)
  expect(handlingInBrief({ ...plan, again: '2026-12-15' }, say)).toMatch(/The rest from 15 Dec/)
  for (const caution of plan.cautions) expect(careInBrief(plan, say)).toContain(noticeTitle(caution, say))
})

test('two ears that agree are said once, others side by side; one that may not be cleaned is named', () => {
  const { ears } = plan
  expect(earsInBrief({ ...ears, right: ears.left }, say).more).toMatch(/^Both: /)
  const stopped = { ...ears, left: { ...ears.left, action: 'stop' as const } }
  expect(earsInBrief(stopped, say).big).toBe('Not the left')
  expect(earsInBrief(stopped, say).more).toMatch(/^Left: .* Right: /)
})

test('steps with what was done lately; last time with how much differs', () => {
  const notYet = { ...plan.leftOut[0]!, because: 'notYet' as const }
  expect(stepsInBrief({ ...plan, leftOut: [] }, say)).toBe(
    `${plan.steps.length} steps, ${say.minutes(plan.minutes.value)}`,
  )
  expect(stepsInBrief({ ...plan, leftOut: [notYet, notYet] }, say)).toMatch(/, 2 not today$/)
  expect([0, 1, 4].map((n) => lastInBrief('2026-10-01', n, say))).toEqual([
    '1 Oct 2026: just as it was',
    '1 Oct 2026: 1 thing differs',
    '1 Oct 2026: 4 things differ',
  ])
})

test('which washes a bottle is for', () => {
  expect([
    washesWords([1], 1, say),
    washesWords([1, 2], 2, say),
    washesWords([1, 2, 3], 3, say),
    washesWords([1], 2, say),
    washesWords([2, 3], 3, say),
    washesWords(['conditioner'], 2, say),
  ]).toEqual(['One wash', 'Both washes', 'All 3 washes', 'First wash', 'Second and third wash', 'Conditioner'])
})

test('how a dog was found last time', () => {
  const today = Today.parse({ date: '2026-10-01' })
  expect(foundInBrief(today, METRIC_SAY)).toBe('sound skin, usual dirt, no mats, bath')
  expect(
    foundInBrief(
      { ...today, skin: ['dry', 'itchy'], soil: 'filthy', mood: 'calm', service: 'fullClip', mats: { belly: 2 } },
      METRIC_SAY,
    ),
  ).toBe('dry and itchy skin, filthy, many mats, calm, bath and full clip')
})
