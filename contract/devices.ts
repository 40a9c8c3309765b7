import { z } from 'zod'

/**
 * What a device may do: everything; what the tub needs: read the day, add taps, nothing of owners, nothing deleted; or look
 * on: what the tub reads, and change nothing.
 */
export const DeviceRole = z.enum(['whole', 'tub', 'look'])
export type DeviceRole = z.infer<typeof DeviceRole>

/** A device that was let in. */
export const PairedDevice = z.object({
  id: z.uuid(),
  name: z.string(),
  role: DeviceRole,
  pairedAt: z.string(),
  usedAt: z.string(),
  /** What it last changed, as the history calls it; null: nothing that is still noted. */
  did: z.object({ what: z.string(), at: z.string() }).nullable(),
  /** After how many minutes without a touch it asks for its four digits; null: it never does. */
  lock: z.number().nullable(),
})
export type PairedDevice = z.infer<typeof PairedDevice>

/** Where others on the network reach this program: safely, and plainly; the fingerprint of what they trust for the first. */
export const Reachable = z.object({
  safe: z.array(z.string()),
  plain: z.array(z.string()),
  fingerprint: z.string().nullable(),
  /** How the program is started where it runs. */
  start: z.string().optional(),
})
export type Reachable = z.infer<typeof Reachable>

/** Who asks: its role, whether it is the machine itself, where others on the network reach it, and after how many minutes it locks. */
export const WhoAsks = z.object({
  role: DeviceRole,
  here: z.boolean(),
  reachable: Reachable,
  lock: z.number().nullable(),
})
export type WhoAsks = z.infer<typeof WhoAsks>

/** A wish for a code that lets one device in. */
export const CodeWish = z.object({ role: DeviceRole })
/** The code, until when it holds, and where the device goes with it. */
export const PairingCode = z.object({
  code: z.string(),
  until: z.string(),
  role: DeviceRole,
  addresses: z.array(z.string()),
})
export type PairingCode = z.infer<typeof PairingCode>

/** A device that asks to be let in. */
export const PairingRequest = z.object({
  code: z
    .string()
    .transform((c) => c.replace(/\D/g, ''))
    .pipe(z.string().length(8, 'The code has 8 digits.')),
  name: z.string().trim().min(1, 'Give the device a name.').max(60, 'Keep the name to 60 characters.'),
})

const Digits = z.string().regex(/^\d{4}$/, 'Give four digits.')
/** How long a device may lie untouched before it asks for its digits, minutes. */
export const LOCK_MINUTES = { least: 1, most: 60 }
/** The four digits that a shared device asks for, and after how many minutes without a touch. */
export const LockWish = z.object({
  code: Digits,
  minutes: z
    .number()
    .int('Give whole minutes.')
    .min(LOCK_MINUTES.least, 'Give at least 1 minute.')
    .max(LOCK_MINUTES.most, 'Give 60 minutes at the most.'),
})
/** The digits that were typed on a locked device. */
export const Unlocking = z.object({ code: Digits })
