import { z } from 'zod'
import { Day } from '@core/dog'
import { AfterAnswers, BeforeAnswers, OwnerAnswers } from '@core/owner'

const kept = { id: z.uuid(), dogId: z.uuid(), saidAt: z.string() }

/** An owner's answers as they are kept. */
export const StoredAnswers = z.discriminatedUnion('kind', [
  z.object({ ...kept, kind: z.literal('before'), date: Day, answers: BeforeAnswers }),
  z.object({ ...kept, kind: z.literal('after'), date: Day, answers: AfterAnswers }),
])
export type StoredAnswers = z.infer<typeof StoredAnswers>

/** Answers to keep; under an id once, however often they are sent. */
export const NewAnswers = z.object({ id: z.uuid().optional(), said: OwnerAnswers })

/** For which visit an owner's card is. */
export const CardQuery = z.object({ date: Day, kind: z.enum(['before', 'after']).default('before') })

/** A visit whose owner is to be asked how it went since. */
export const FollowUp = z.object({ dogId: z.uuid(), name: z.string(), date: Day, visitId: z.uuid() })
export type FollowUp = z.infer<typeof FollowUp>
export const FollowUpQuery = z.object({ on: Day })
