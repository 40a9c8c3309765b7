import { z } from 'zod'
import { fieldErrors, fieldPath, VisitDraft } from '.'

test('a path reads as people write it', () => {
  expect(fieldPath(['dryers', 0, 'airflow'])).toBe('dryers[0].airflow')
  expect(fieldPath([])).toBe('')
})

test('one message for each refused field, the first', () => {
  const schema = z.object({ name: z.string().min(3, 'too short').regex(/^a/, 'starts with a'), n: z.number() })
  expect(fieldErrors(schema.safeParse({ name: 'b', n: 1 }).error!)).toEqual([{ field: 'name', message: 'too short' }])
})

test('a draft fills what was left out, and refuses what it does not know', () => {
  const draft = VisitDraft.parse({ dogId: '7f0c3f5e-6f0a-4b60-9a53-3d1f4f7c3b11', today: { date: '2026-11-28' } })
  expect(draft.today).toMatchObject({ skin: [], mats: {}, overrides: [], leftEar: { wax: 0 } })
  expect(VisitDraft.safeParse({ dogId: 'x', today: {} }).success).toBe(false)
})

test('what a schema has no words for is refused in plain ones, with what can be chosen', () => {
  const schema = z.object({
    coat: z.enum(['wire', 'curly']),
    dogs: z.array(z.string()),
    name: z.string(),
    kg: z.number(),
  })
  const found = fieldErrors(schema.safeParse({ coat: 'felt', dogs: 'Fig' }).error!)
  expect(found).toEqual([
    { field: 'coat', message: 'Choose one of: wire, curly.' },
    { field: 'dogs', message: 'Give a list.' },
    { field: 'name', message: 'This is missing.' },
    { field: 'kg', message: 'Give a number.' },
  ])
})
