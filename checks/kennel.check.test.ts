import { bandOfSum, learnFor, learnedFactor, lessonFacts, likelyMinutes, readLog, sift } from '@core/learn'
import { METRIC_SAY } from '@words'
import { KENNEL, PAST, planned, told } from './kennel'

// Whole plans, figure by figure, as they stand. A change of a constant or a rule shows here in every plan that it
// moves: read the difference as a groomer would, then keep it with `npm run unit -- kennel -u`.

test.each(Object.keys(KENNEL))('the plan of %s moves only when it is meant to', (name) => {
  const { engine: _, ...plan } = planned(KENNEL[name]!)
  expect(told(plan, METRIC_SAY)).toMatchSnapshot()
})

test.each(['slow', 'usual', 'quick', 'new'])(
  'what a made-up past teaches of %s moves only when it is meant to',
  (dog) => {
    const target = { dog, coat: dog === 'quick' ? 'wire' : 'curly' }
    const { kept, aside } = sift(PAST)
    const learned = learnFor(kept, target)
    const lesson = readLog({ brush: PAST })(target).brush!
    const likely = likelyMinutes(learned, 15)
    const sum = bandOfSum([{ middle: likely.median, spread: 0.2 }, { middle: 30 }])
    const facts = { learned, lesson, factor: learnedFactor(lesson), facts: lessonFacts(lesson), likely, sum, aside }
    expect(told(facts, METRIC_SAY)).toMatchSnapshot()
  },
)
