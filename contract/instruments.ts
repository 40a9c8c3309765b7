import { z } from 'zod'
import { Fault, InstrumentKind } from '@core/instruments'

const number = (least: number, most: number, what: string) => {
  const message = `${what} lies between ${least} and ${most}.`
  return z.coerce.number({ error: message }).min(least, message).max(most, message)
}

/** What goes on in the room while readings are asked for: the water's target while the shower runs, the dryers' watts and sound. */
export const SceneQuery = z.object({
  target: number(1, 60, 'The water').optional(),
  watts: number(0, 20_000, 'The load').default(0),
  level: number(0, 140, 'The sound').default(0),
})

/** A fault to practise with; a load to lay on the made-up scale, g. */
export const FaultChange = z.object({
  fault: Fault,
})
export const LoadChange = z.object({
  grams: z.number({ error: 'Give grams, from 0 to 20 000.' }).min(0).max(20_000, 'Give grams, from 0 to 20 000.'),
})

/** The instruments as they stand, and what lies on the scale. */
export const InstrumentsAnswer = z.object({
  instruments: z.array(z.object({ kind: InstrumentKind, fault: Fault })),
  grams: z.number(),
})
export type InstrumentsAnswer = z.infer<typeof InstrumentsAnswer>
