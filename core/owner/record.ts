import { z } from 'zod'

const text = (max: number) => z.string().trim().max(max, `Keep it to ${max} characters.`).default('')

/** Whoever brings dogs: one record however many dogs it has; no two have the same name and the same way to be reached. */
export const Owner = z.object({
  name: text(120),
  contact: text(200),
  /** Whom to reach when it can't be. */
  secondContact: text(200),
  notes: text(4000),
})
export type Owner = z.infer<typeof Owner>

/** What dogs' records say of their owner, as they say it. */
export const asDogsSay = ({ name, contact, secondContact }: Owner) => ({
  owner: name,
  ownerContact: contact,
  secondContact,
})
