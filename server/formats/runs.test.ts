import { existsSync } from 'node:fs'
import { EMOJI_FONTS, runsOf } from './runs'

test('plain text is one run; signs go to a font that has them', () => {
  expect(runsOf('Žofka, Ἀργώ, Пёс: 8 mm²')).toEqual([{ text: 'Žofka, Ἀργώ, Пёс: 8 mm²' }])
  const [before, paw, after] = runsOf('a 🐾 b')
  expect([before!.text, paw!.text, after!.text]).toEqual(['a ', '🐾', ' b'])
  expect(existsSync(EMOJI_FONTS[paw!.font!]!.normal)).toBe(true)
})

test('joined signs are drawn one by one, what no font has is marked', () => {
  expect(
    runsOf('👩\u200d🦰\ufe0f')
      .map((r) => r.text)
      .join(''),
  ).toBe('👩🦰')
  expect(runsOf('漢')).toEqual([{ text: '?' }])
  expect(runsOf('')).toEqual([])
})
