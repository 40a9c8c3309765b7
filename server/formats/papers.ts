import type { Content } from 'pdfmake/interfaces'
import type { StoredFinding, StoredVisit } from '@contract'
import { findingStory } from '@core/dog'
import { unitsOf } from '@core/house'
import { handOver } from '@core/visit'
import {
  capital,
  coatWords,
  findingText,
  findingTitle,
  noticeNext,
  noticeTitle,
  placeText,
  sayIn,
  SKIN_NAMES,
  type Say,
} from '@words'
import { renderPdf, said, section } from './pdf'
import { runsOf } from './runs'

/** What a paper is made from. */
export interface PaperFacts {
  visit: StoredVisit
  findings: readonly StoredFinding[]
  /** Whether the visit has begun: what is only planned wasn't used on the dog. */
  begun: boolean
}

const sayFor = ({ visit }: PaperFacts): Say => sayIn(unitsOf(visit.inputs.house))

function head({ visit }: PaperFacts, title: string): Content[] {
  const { dog, house } = visit.inputs
  const say = sayIn(unitsOf(house))
  const who = [
    dog.breed,
    dog.sex === 'unknown' ? '' : dog.sex,
    dog.born ? `born ${dog.born}` : '',
    say.weight(visit.inputs.today.weightKg ?? dog.weightKg),
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
    { text: say.date(visit.date), margin: [0, 0, 0, 10] },
    { text: [{ text: 'Dog: ', bold: true }, ...runsOf(dog.name)] },
    said(who.filter(Boolean).join(', ')),
    ...(dog.owner ? [said(`Owner: ${[dog.owner, dog.ownerContact].filter(Boolean).join(', ')}`)] : []),
  ]
}

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
    ...head(facts, 'For the vet'),
    ...(dog.vet ? [said(`To: ${[dog.vet, dog.vetContact].filter(Boolean).join(', ')}`)] : []),
    { text: 'A groomer’s hands and eyes, not a diagnosis.', margin: [0, 8, 0, 0] },
    ...section(
      'Found on the body',
      stories.filter((s) => !s.gone).map((s) => storyWords(s, say)),
    ),
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

/** The letter to the vet as a PDF. */
export const vetLetter = (facts: PaperFacts): Promise<Buffer> =>
  renderPdf(`Letter to the vet: ${facts.visit.inputs.dog.name}`, letterContent(facts))

/** The slip that goes home with the dog. */
export function slipContent(facts: PaperFacts): Content[] {
  const { visit } = facts
  const { dog, today } = visit.inputs
  const say = sayFor(facts)
  const { used, homeCare, practise, ask } = handOver(dog, today, visit.plan)
  const words = (list: readonly Parameters<Say['said']>[0][]) => list.map((s) => say.said(s))
  const { days, date } = visit.plan.next
  const why = days.because.filter((r) => r.how !== 'set').map((r) => say.said(r))
  const stories = storiesOf(facts)
  const found = [...stories.map((s) => storyWords(s, say)), ...earLines(facts), ...skinLines(facts)]
  return [
    ...head(facts, 'Going home'),
    ...section('Found', found.length > 0 ? found : ['Nothing to worry about.']),
    ...section(facts.begun ? 'Used' : 'Planned, nothing used yet', words(used)),
    ...section('At home', words(homeCare)),
    ...(practise.length > 0 ? section('To practise, a minute a day', words(practise)) : []),
    ...section('Next', [`Come again about ${say.date(date)}: ${say.list(why)}.`, say.said(ask)]),
    { text: '\nGrooming guidance, not a vet’s advice.', style: 'small' },
  ]
}

/** The slip that goes home, as a PDF. */
export const handOverSlip = (facts: PaperFacts): Promise<Buffer> =>
  renderPdf(`Going home: ${facts.visit.inputs.dog.name}`, slipContent(facts))
