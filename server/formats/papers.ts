import type { Content } from 'pdfmake/interfaces'
import type { StoredFinding, StoredVisit } from '@contract'
import { findingStory, skinMap, type Dog, type EarSign } from '@core/dog'
import { unitsOf, type House } from '@core/house'
import { handOver } from '@core/visit'
import type { Happening } from '@core/handling'
import {
  FIRST_STEPS,
  capital,
  coatWords,
  findingText,
  findingTitle,
  noticeNext,
  noticeTitle,
  placeText,
  sayIn,
  SKIN_NAMES,
  zonesListed,
  type Say,
} from '@words'
import type { DogsRecord, OwnersVisit } from '../usecases/dogRecord'
import { said, section, type Paper } from './pdf'
import { runsOf } from './runs'

/** What a paper is made from. */
export interface PaperFacts {
  visit: StoredVisit
  findings: readonly StoredFinding[]
  /** Whether the visit has begun: what is only planned wasn't used on the dog. */
  begun: boolean
  /** Ears as they went: rounds of cleaner, and stop signs that were found at the table. */
  ears: Record<'left' | 'right', { rounds: number; signs: readonly EarSign[] }>
  /** What went wrong at the tub. */
  happened?: readonly { what: Happening; text: string }[]
}

const sayFor = ({ visit }: PaperFacts): Say => sayIn(unitsOf(visit.inputs.house))

interface Headed {
  dog: Dog
  house: House
  weightKg: number
  date: string
}

function head({ dog, house, weightKg, date }: Headed, title: string): Content[] {
  const say = sayIn(unitsOf(house))
  const who = [
    dog.breed,
    dog.sex === 'unknown' ? '' : dog.sex,
    dog.born ? `born ${dog.born}` : '',
    say.weight(weightKg),
    coatWords(dog.coat),
  ]
  return [
    {
      columns: [
        { text: title, style: 'title' },
        {
          stack: [
            { text: runsOf(house.name), bold: true },
            ...[house.groomer, house.contact].filter(Boolean).map((line) => ({ text: runsOf(line) })),
          ],
          alignment: 'right',
        },
      ],
    },
    { text: say.date(date), margin: [0, 0, 0, 10] },
    { text: [{ text: 'Dog: ', bold: true }, ...runsOf(dog.name)] },
    said(who.filter(Boolean).join(', ')),
    ...(dog.owner ? [said(`Owner: ${[dog.owner, dog.ownerContact].filter(Boolean).join(', ')}`)] : []),
  ]
}

/** What stands at the head of a paper about a visit. */
const headOf = ({ visit: { date, inputs } }: PaperFacts): Headed => ({
  dog: inputs.dog,
  house: inputs.house,
  weightKg: inputs.today.weightKg ?? inputs.dog.weightKg,
  date,
})

function earLines(facts: PaperFacts): string[] {
  const { visit } = facts
  const say = sayFor(facts)
  const { leftEar, rightEar } = visit.inputs.today
  return (
    [
      ['left', leftEar],
      ['right', rightEar],
    ] as const
  ).flatMap(([side, ear]) => {
    if (ear.signs.length > 0) return [`${capital(side)} ear: ${say.list(ear.signs)}. Nothing was put in.`]
    const { signs, rounds } = facts.ears[side]
    if (signs.length > 0) {
      const until = rounds > 0 ? `stopped after ${say.count(rounds, 'round')} of cleaner` : 'nothing was put in'
      return [`${capital(side)} ear: ${say.list(signs)}, found at the table; ${until}.`]
    }
    return ear.wax > 0 ? [`${capital(side)} ear: wax ${ear.wax} of 3, no bad sign.`] : []
  })
}

function skinLines(facts: PaperFacts): string[] {
  const { skin, skinAt, wounds, fleas, health } = facts.visit.inputs.today
  const say = sayFor(facts)
  const names = (list: typeof skin) => say.list(list.map((s) => SKIN_NAMES[s]))
  return [
    ...(skin.length > 0 ? [`Skin: ${names(skin)}.`] : []),
    ...skinAt.map((p) => `Skin, ${placeText(p.zone, p.side)}: ${names(p.skin)}.`),
    ...(wounds !== 'none' ? [`Wounds: ${wounds}.`] : []),
    ...(fleas ? ['Fleas.'] : []),
    ...health.map((sign) => `${capital(sign)}.`),
  ]
}

/** Ears in which something was found only at the table. */
const foundIn = ({ ears }: PaperFacts) => (['left', 'right'] as const).filter((side) => ears[side].signs.length > 0)

/** What went wrong, and from when on a vet should see it. */
const happenedLines = ({ happened = [] }: PaperFacts) =>
  happened.map(({ what, text }) => `${capital(what)}${text === '' ? '' : ` (${text})`}. ${FIRST_STEPS[what].vet}`)

const storiesOf = ({ findings }: PaperFacts) => findings.map((f) => findingStory(f.record))
const storyWords = (story: ReturnType<typeof findingStory>, say: Say) =>
  `${findingTitle(story)}: ${findingText(story, say)}`

/** The letter to the vet: what was seen and felt, what was used, what is asked. */
export function letterContent(facts: PaperFacts): Content[] {
  const { visit } = facts
  const { dog } = visit.inputs
  const say = sayFor(facts)
  const stories = storiesOf(facts)
  const stops = visit.plan.stops.map((s) => `${noticeTitle(s, say)}. ${noticeNext(s, say)}`)
  const used = handOver(dog, visit.inputs.today, visit.plan).used.map((u) => say.said(u))
  return [
    ...head(headOf(facts), 'For the vet'),
    ...(dog.vet ? [said(`To: ${[dog.vet, dog.vetContact].filter(Boolean).join(', ')}`)] : []),
    { text: 'A groomer’s hands and eyes, not a diagnosis.', margin: [0, 8, 0, 0] },
    ...section(
      'Found on the body',
      stories.filter((s) => !s.gone).map((s) => storyWords(s, say)),
    ),
    ...section('What happened here', happenedLines(facts)),
    ...section('Ears', earLines(facts)),
    ...section('Skin and health', skinLines(facts)),
    ...section('What I did not do, and why', stops),
    ...section(facts.begun ? 'Used today' : 'Planned, nothing used yet', used),
    ...section('Known', [
      ...(dog.allergies.length > 0 ? [`Reacts to ${say.list(dog.allergies)}.`] : []),
      ...(dog.notes ? [dog.notes] : []),
    ]),
    { text: 'May I ask', style: 'section' },
    said(
      'May this dog be washed, with what, and until when? May the ears be cleaned? A line with your name and a date is enough; I keep it with the record.',
    ),
    { text: '\n\nName, date', style: 'small' },
  ]
}

/** The letter to the vet. */
export const vetLetter = (facts: PaperFacts): Paper => ({
  title: `Letter to the vet: ${facts.visit.inputs.dog.name}`,
  content: letterContent(facts),
})

/** The slip that goes home with the dog. */
export function slipContent(facts: PaperFacts): Content[] {
  const { visit } = facts
  const { dog, today } = visit.inputs
  const say = sayFor(facts)
  const { used, homeCare, practise, ask } = handOver(dog, today, visit.plan, foundIn(facts))
  const words = (list: readonly Parameters<Say['said']>[0][]) => list.map((s) => say.said(s))
  const { days, date } = visit.plan.next
  const why = days.because.filter((r) => r.how !== 'set').map((r) => say.said(r))
  const stories = storiesOf(facts)
  const found = [...stories.map((s) => storyWords(s, say)), ...earLines(facts), ...skinLines(facts)]
  return [
    ...head(headOf(facts), 'Going home'),
    ...section('What happened', happenedLines(facts)),
    ...section('Found', found.length > 0 ? found : ['Nothing to worry about.']),
    ...section(facts.begun ? 'Used' : 'Planned, nothing used yet', words(used)),
    ...section('At home', words(homeCare)),
    ...(practise.length > 0 ? section('To practise, a minute a day', words(practise)) : []),
    ...section('Next', [`Come again about ${say.date(date)}: ${say.list(why)}.`, say.said(ask)]),
    { text: '\nGrooming guidance, not a vet’s advice.', style: 'small' },
  ]
}

/** The slip that goes home, as a PDF. */
export const handOverSlip = (facts: PaperFacts): Paper => ({
  title: `Going home: ${facts.visit.inputs.dog.name}`,
  content: slipContent(facts),
})

function visitLine({ date, plan, outcome }: OwnersVisit, say: Say): string {
  if (!outcome) return `${say.date(date)}: planned, ${say.minutes(plan.minutes.value)}`
  const { minutes, used, damp, happened, notes } = outcome
  const told = [
    say.minutes(minutes),
    used.length > 0 && `used ${say.list(used.map((u) => u.name))}`,
    damp.length > 0 && `damp: ${zonesListed(damp)}`,
    happened.length > 0 && `happened: ${say.list(happened.map((h) => h.text || h.what))}`,
    ...notes,
  ]
  return `${say.date(date)}: ${told.filter(Boolean).join('; ')}`
}

/** All of a dog for its owner, to read. */
export function recordContent({ dog, findings, visits, house }: DogsRecord, today: string): Content[] {
  const { record } = dog
  const say = sayIn(unitsOf(house))
  const stories = findings.map((f) => findingStory(f.record))
  const skin = skinMap(record.known).whole
  return [
    ...head({ dog: record, house, weightKg: record.weightKg, date: today }, 'Record'),
    ...section(
      'Known',
      [
        skin.length > 0 && `Skin: ${say.list(skin.map((k) => SKIN_NAMES[k]))}.`,
        record.allergies.length > 0 && `Reacts to ${say.list(record.allergies)}.`,
        record.vet !== '' && `Vet: ${[record.vet, record.vetContact].filter(Boolean).join(', ')}`,
        record.consent,
        record.notes,
      ].filter((line) => typeof line === 'string' && line !== '') as string[],
    ),
    ...section(
      'Found on the body',
      stories.map((s) => storyWords(s, say)),
    ),
    ...section(
      'Visits',
      visits.map((v) => visitLine(v, say)),
    ),
    { text: '\nGrooming guidance, not a vet’s advice.', style: 'small' },
  ]
}

/** The same as a PDF. */
export const dogsPaper = (record: DogsRecord, today: string): Paper => ({
  title: `Record: ${record.dog.record.name}`,
  content: recordContent(record, today),
})
