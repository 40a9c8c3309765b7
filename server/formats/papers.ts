import type { Content } from 'pdfmake/interfaces'
import type { StoredFinding, StoredVisit } from '../../contract'
import { findingStory } from '../../core/dog'
import { capital, list, say } from '../../core/units'
import { handOver } from '../../core/visit'
import { renderPdf, said, section } from './pdf'
import { runsOf } from './runs'

/** What a paper is made from. */
export interface PaperFacts {
  visit: StoredVisit
  findings: readonly StoredFinding[]
}

const dateOf = (day: string) =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  })

function head({ visit }: PaperFacts, title: string): Content[] {
  const { dog, house } = visit.inputs
  const from = [house.name, house.groomer].filter(Boolean).join(', ')
  const who = [
    dog.breed,
    dog.sex === 'unknown' ? '' : dog.sex,
    dog.born ? `born ${dog.born}` : '',
    `${say(visit.inputs.today.weightKg ?? dog.weightKg)} kg`,
    dog.coat === 'hairless' ? 'hairless' : `${dog.coat} coat`,
  ]
  return [
    {
      columns: [
        { text: title, style: 'title' },
        { text: runsOf(from), alignment: 'right' },
      ],
    },
    { text: dateOf(visit.date), margin: [0, 0, 0, 10] },
    { text: [{ text: 'Dog: ', bold: true }, ...runsOf(dog.name)] },
    said(who.filter(Boolean).join(', ')),
    ...(dog.owner ? [said(`Owner: ${[dog.owner, dog.ownerContact].filter(Boolean).join(', ')}`)] : []),
  ]
}

function earLines({ visit }: PaperFacts): string[] {
  const { leftEar, rightEar } = visit.inputs.today
  return (
    [
      ['left', leftEar],
      ['right', rightEar],
    ] as const
  ).flatMap(([side, ear]) => {
    if (ear.signs.length > 0) return [`${capital(side)} ear: ${list(ear.signs)}. Nothing was put in.`]
    return ear.wax > 0 ? [`${capital(side)} ear: wax ${ear.wax} of 3, no bad sign.`] : []
  })
}

function skinLines({ visit }: PaperFacts): string[] {
  const { skin, wounds, fleas, health } = visit.inputs.today
  return [
    ...(skin.length > 0 ? [`Skin: ${list(skin)}.`] : []),
    ...(wounds !== 'none' ? [`Wounds: ${wounds}.`] : []),
    ...(fleas ? ['Fleas.'] : []),
    ...health.map((sign) => `${capital(sign)}.`),
  ]
}

const storiesOf = ({ findings }: PaperFacts) => findings.map((f) => findingStory(f.record))

/** The letter to the vet: what was seen and felt, what was used, what is asked. */
export function vetLetter(facts: PaperFacts): Promise<Buffer> {
  const { visit } = facts
  const { dog } = visit.inputs
  const stories = storiesOf(facts)
  const stops = visit.plan.stops.map((s) => `${s.title}. ${s.next}`)
  const used = handOver(dog, visit.inputs.today, visit.plan).used
  const content: Content[] = [
    ...head(facts, 'For the vet'),
    ...(dog.vet ? [said(`To: ${[dog.vet, dog.vetContact].filter(Boolean).join(', ')}`)] : []),
    { text: 'A groomer’s hands and eyes, not a diagnosis.', margin: [0, 8, 0, 0] },
    ...section(
      'Found on the body',
      stories.filter((s) => !s.gone).map((s) => `${s.title}: ${s.text}`),
    ),
    ...section('Ears', earLines(facts)),
    ...section('Skin and health', skinLines(facts)),
    ...section('What I did not do, and why', stops),
    ...section('Used today', used),
    ...section('Known', [
      ...(dog.allergies.length > 0 ? [`Reacts to ${list(dog.allergies)}.`] : []),
      ...(dog.notes ? [dog.notes] : []),
    ]),
    { text: 'May I ask', style: 'section' },
    said(
      'May this dog be washed, with what, and until when? May the ears be cleaned? A line with your name and a date is enough; I keep it with the record.',
    ),
    { text: '\n\nName, date', style: 'small' },
  ]
  return renderPdf(`Letter to the vet: ${dog.name}`, content)
}

/** The slip that goes home with the dog. */
export function handOverSlip(facts: PaperFacts): Promise<Buffer> {
  const { visit } = facts
  const { dog, today } = visit.inputs
  const { used, homeCare, practise, ask } = handOver(dog, today, visit.plan)
  const stories = storiesOf(facts)
  const found = [...stories.map((s) => `${s.title}: ${s.text}`), ...earLines(facts), ...skinLines(facts)]
  const content: Content[] = [
    ...head(facts, 'Going home'),
    ...section('Found', found.length > 0 ? found : ['Nothing to worry about.']),
    ...section('Used', used),
    ...section('At home', homeCare),
    ...(practise.length > 0 ? section('To practise, a minute a day', practise) : []),
    ...section('Next', [
      `Come again about ${dateOf(visit.plan.next.date)}: ${list(visit.plan.next.days.because.filter((r) => r.how !== 'set').map((r) => r.fact))}.`,
      ask,
    ]),
    { text: '\nGrooming guidance, not a vet’s advice.', style: 'small' },
  ]
  return renderPdf(`Going home: ${dog.name}`, content)
}
