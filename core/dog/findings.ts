import { z } from 'zod'
import { constants, house, practice } from '../constants'
import { Day } from './schema'
import { Zone } from './zones'

/** What the hands may find on a body. */
export const FindingKind = z.enum([
  'lump',
  'mole',
  'tick',
  'redness',
  'cut',
  'hot spot',
  'mat',
  'sore',
  'bald patch',
  'other',
])
export type FindingKind = z.infer<typeof FindingKind>

/** The sides from which a body is drawn. */
export const BodyView = z.enum(['left', 'right', 'front', 'top'])
export type BodyView = z.infer<typeof BodyView>

const sizeMessage = 'Give a size from 1 to 500 mm, or leave it empty.'

/** A finding as it was on one day. */
export const Sighting = z.object({
  date: Day,
  sizeMm: z.number({ error: sizeMessage }).min(1, sizeMessage).max(500, sizeMessage).nullable().default(null),
  gone: z.boolean().default(false),
  note: z.string().trim().max(300, 'Keep the note to 300 characters.').default(''),
})
export type Sighting = z.infer<typeof Sighting>

/** A finding pinned on the body: x and y from 0 to 1 across the drawing of that side, followed over visits. */
export const Finding = z.object({
  kind: FindingKind,
  view: BodyView,
  zone: Zone,
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  seen: z.array(Sighting).min(1, 'Say when it was seen.').max(200),
})
export type Finding = z.infer<typeof Finding>

/** How a finding went: what and where, its first and last sizes, and whether a vet should hear of it. */
export interface FindingStory {
  kind: FindingKind
  side: 'left' | 'right' | null
  zone: Zone
  /** When it was seen last, or seen to be gone. */
  last: string
  gone: boolean
  /** Its last size in mm with the day, and the first one where it was measured more than once. */
  size?: { mm: number; date: string }
  first?: { mm: number; date: string }
  grew: boolean
  vet: boolean
}

const VET_KINDS: readonly FindingKind[] = ['lump', 'hot spot', 'sore', 'bald patch']
/** From where on a finding counts as grown; the coin that one is slid beside, across, and how large it can be slid. */
export const FINDINGS = constants({
  growth: practice(1.2, 'times the first size', [1.1, 1.3]),
  coin: practice(23, 'mm', [20, 27]),
  slid: house(60, 'mm', [40, 100]),
})

/**
 * How a finding went from sighting to sighting. A lump or sore is told to the vet when first seen, and
 * anything that grew by more than a fifth; what is gone is told as gone.
 */
export function findingStory({ kind, view, zone, seen }: Finding): FindingStory {
  const sorted = [...seen].sort((a, b) => a.date.localeCompare(b.date))
  const last = sorted[sorted.length - 1]!
  const sized = sorted.flatMap((s) => (s.sizeMm !== null && !s.gone ? [{ mm: s.sizeMm, date: s.date }] : []))
  const [first, size] = [sized[0], sized[sized.length - 1]]
  const compared = first !== undefined && size !== undefined && first !== size
  const grew = !last.gone && compared && size.mm > first.mm * FINDINGS.growth.value
  return {
    kind,
    side: view === 'left' || view === 'right' ? view : null,
    zone,
    last: last.date,
    gone: last.gone,
    size,
    ...(compared ? { first } : {}),
    grew,
    vet: !last.gone && (grew || VET_KINDS.includes(kind)),
  }
}
