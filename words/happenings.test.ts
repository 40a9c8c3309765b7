import { Happening } from '@core/handling'
import { FIRST_STEPS } from './happenings'

/** What can't wait until the visit is over. Common practice, no source. */
const NOW = ['belly swelling, retching', 'seizure', 'collapse']

test.each(Happening.options)('%s: short first steps, then when to call, and now only where it can’t wait', (what) => {
  const { actions, vet, now } = FIRST_STEPS[what]
  expect(actions.length).toBeGreaterThan(0)
  // read at two metres with a dog in one arm
  for (const line of [...actions, vet])
    for (const sentence of line.split(/[.;:] /))
      expect([sentence, sentence.split(' ').length <= 12]).toEqual([sentence, true])
  expect(now ?? false).toBe(NOW.includes(what))
  if (now) expect(vet).toMatch(/now/i)
  // a bite of a person is for a doctor, everything else for the vet
  if (!now) expect(vet).toMatch(what === 'a person bitten' ? /doctor/ : /vet|end the visit/)
})
