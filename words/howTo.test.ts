import { EARS } from '@core/ears'
import { EAR_LINES, HOW_TO } from './howTo'

test('what the hands do is at most 12 words a line, read at two metres; the reason is there for whoever asks', () => {
  const lines = [...Object.values(HOW_TO).map((h) => h.line), ...Object.values(EAR_LINES).flat()]
  for (const line of lines) expect([line, line.split(' ').length <= 12]).toEqual([line, true])
  for (const { why } of Object.values(HOW_TO)) expect(why).toMatch(/\.$/)
})

/** Common practice, no source. */
test('the ear rules: what never goes in, how far one goes, when to stop', () => {
  const said = (phase: keyof typeof EAR_LINES) => EAR_LINES[phase].join(' ')
  expect(said('look')).toMatch(/pale pink.*no smell/)
  for (const never of ['swabs', 'vinegar', 'home mixtures', 'human products', 'alcohol on sore skin'])
    expect(said('fill')).toContain(never)
  expect(said('thin')).toMatch(/never puffed in.*few hairs.*closed.*flinch.*no powder/)
  expect(said('wipe')).toMatch(/as far as you see/)
  expect([said('leave'), said('stopped'), said('refer')].every((s) => s.includes('vet'))).toBe(true)
  expect(said('refer')).toContain('last round')
  expect(said('fill')).toMatch(/turns a corner/)
  expect(said('wipe')).toContain('Real cotton')
  expect(said('look')).toContain('Sand')
  expect(said('thin')).toMatch(/hair apart.*few hairs.*with a twist.*nothing deeper/)
  expect(EARS.mostRounds.value).toBe(3)
  expect(EARS.massage.value).toBeGreaterThanOrEqual(20)
  expect(EARS.massage.value).toBeLessThanOrEqual(30)
})
