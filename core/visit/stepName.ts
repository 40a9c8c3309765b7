import { z } from 'zod'

/** What a step does. `own`: one of the user's, by its own name. */
export const StepKind = z.enum([
  'look',
  'brush',
  'blowOut',
  'nails',
  'earClean',
  'plugIn',
  'plugOut',
  'liftIn',
  'wet',
  'wash',
  'face',
  'stand',
  'rinse',
  'condition',
  'squeeze',
  'liftOut',
  'shake',
  'towel',
  'setUp',
  'dry',
  'comb',
  'topknot',
  'leaveIn',
  'finish',
  'deShed',
  'clip',
  'tidy',
  'teeth',
  'glands',
  'handOver',
  'clean',
  'own',
])
export type StepKind = z.infer<typeof StepKind>

/** Which of several steps of one kind: a wash or a rinse by its place, a dryer or a brush by what it is. */
export const StepRole = z.enum([
  'only',
  'clean',
  'treat',
  'mild',
  'shampoo',
  'conditioner',
  'first',
  'between',
  'last',
  'rubber',
  'matsOnly',
  'cloth',
  'fan',
  'fast',
  'alone',
  'wrapped',
  'rough',
  'scent',
])
export type StepRole = z.infer<typeof StepRole>

/** What a step is called by: its kind and role, or the name that its user gave it. */
export const StepName = z.object({
  kind: StepKind,
  role: StepRole.optional(),
  name: z.string().max(60).optional(),
})
export type StepName = z.infer<typeof StepName>
