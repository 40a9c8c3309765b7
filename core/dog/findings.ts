import { z } from 'zod'
import { constants, practice } from '../constants'
import { say } from '../units'
import { Day } from './schema'
import { Zone, ZONE_NAMES } from './zones'

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

/** A finding told in a sentence: what and where, how it went, and whether a vet should hear of it. */
export interface FindingStory {
  title: string
  text: string
  vet: boolean
  gone: boolean
}

const VET_KINDS: readonly FindingKind[] = ['lump', 'hot spot', 'sore', 'bald patch']
/** From where on a finding counts as grown. */
export const FINDINGS = constants({
  growth: practice(1.2, 'times the first size', [1.1, 1.3]),
})

const monthOf = (date: string) =>
  new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  })

const sideOf = ({ view }: Finding) => (view === 'left' || view === 'right' ? `${view} ` : '')

/**
 * How a finding went from sighting to sighting. A lump or sore is told to the vet when first seen, and
 * anything that grew by more than a fifth; what is gone is told as gone.
 */
export function findingStory(finding: Finding): FindingStory {
  const seen = [...finding.seen].sort((a, b) => a.date.localeCompare(b.date))
  const last = seen[seen.length - 1]!
  const sized = seen.filter((s) => s.sizeMm !== null && !s.gone)
  const [first, latest] = [sized[0], sized[sized.length - 1]]
  const title = `${finding.kind[0]!.toUpperCase()}${finding.kind.slice(1)}, ${sideOf(finding)}${ZONE_NAMES[finding.zone]}`
  if (last.gone) return { title, text: `Gone on ${monthOf(last.date)}.`, vet: false, gone: true }
  const compared = first && latest && first !== latest
  const grew = compared ? latest.sizeMm! > first.sizeMm! * FINDINGS.growth.value : false
  const size = compared
    ? `${say(first.sizeMm!)} mm on ${monthOf(first.date)}, ${say(latest.sizeMm!)} mm on ${monthOf(latest.date)}`
    : latest
      ? `${say(latest.sizeMm!)} mm on ${monthOf(latest.date)}`
      : `seen on ${monthOf(last.date)}`
  const vet = grew || VET_KINDS.includes(finding.kind)
  const change = grew ? ': it grew' : compared ? ': no growth' : ''
  return { title, text: `${size}${change}.${vet ? ' Mention it to the vet.' : ''}`, vet, gone: false }
}
