import { z } from 'zod'

/** How a coat is dried. */
export const Technique = z.enum([
  'velocity, then brush',
  'velocity',
  'warm brush',
  'fan',
  'fan, then brush',
  'brush, then air',
  'air',
])
export type Technique = z.infer<typeof Technique>
