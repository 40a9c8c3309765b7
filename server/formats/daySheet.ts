import type { Content } from 'pdfmake/interfaces'
import { redFlagsOf } from '@core/dog'
import { unitsOf } from '@core/house'
import { linesOfDay, prepareList, totalsOf, type DayFacts, type DayState } from '@core/washday'
import {
  capital,
  daySentence,
  foundText,
  foundTitle,
  lineWords,
  mixedFor,
  mixName,
  mixParagraph,
  noticeTitle,
  RED_FLAG_NAMES,
  sayIn,
  SERVICE_NAMES,
} from '@words'
import { said, section, sectionInTwo, type Paper } from './pdf'
import { runsOf } from './runs'

/** What is short stays in one line: 37.5 °C. */
const ONE_LINE = 12
const cell = (text: string): Content => ({ text: runsOf(text), noWrap: text.length <= ONE_LINE })
const headCell = (text: string): Content => ({ text, bold: true })

function table(head: readonly string[], rows: readonly string[][], widths: (string | number)[]): Content {
  return {
    table: { headerRows: 1, dontBreakRows: true, widths, body: [head.map(headCell), ...rows.map((r) => r.map(cell))] },
    layout: 'lightHorizontalLines',
    fontSize: 10,
    margin: [0, 4, 0, 6],
  }
}

/** The day on paper: who when, the order of work, what to mix and lay out, and what asks for care. */
export function daySheet(facts: DayFacts, state: DayState): Paper {
  const { day, house } = facts
  const say = sayIn(unitsOf(house))
  const { mixes, things } = prepareList(facts, state)
  // the same for every dog: said once
  const chill = state.seats.flatMap((s) => s.plan.cautions.filter((c) => c.code === 'caution.chill'))
  const wettest = chill.sort((a, b) => b.facts.minutes - a.facts.minutes)[0]
  const forAll = wettest !== undefined && chill.length > 1 ? wettest : undefined
  const ofAll = new Set<string>(['caution.scald', 'caution.current', ...(forAll ? [forAll.code] : [])])
  const dogs = state.seats.map(({ seat, dog, today, plan }) => {
    const run = state.run?.seats.find((s) => s.id === seat.id)
    const water = plan.go ? say.temperature(plan.water.target.value) : 'no bath'
    const flags = redFlagsOf(dog, today).map((f) => RED_FLAG_NAMES[f])
    const who = [dog.owner, dog.ownerContact, dog.secondContact && `else ${dog.secondContact}`].filter(Boolean)
    const price = seat.price ?? dog.price
    const comesFor = [capital(SERVICE_NAMES[today.service]), price && say.money(price)].filter(Boolean)
    const stops = plan.stops.map((s) => `STOP: ${noticeTitle(s, say)}`)
    const care = plan.cautions
      .filter((c) => !ofAll.has(c.code))
      .map((c) => noticeTitle(c, say))
      .filter((title) => !flags.some((flag) => flag.toLowerCase() === title.toLowerCase()))
    return [
      [dog.name, who.join(', ')].filter(Boolean).join('\n'),
      comesFor.join('\n'),
      [say.clock(seat.arrive), run && `ready ${say.clock(run.ready)}`, `by ${say.clock(seat.pickup)}`]
        .filter(Boolean)
        .join('\n'),
      water,
      [capital(flags.join(', ')), ...stops, ...care, seat.note].filter(Boolean).join('. '),
    ]
  })
  const lines = linesOfDay(facts, state).map((l) => [
    `${say.clock(l.at)} to ${say.clock(l.until)}`,
    l.name,
    lineWords(l),
  ])
  const content: Content[] = [
    {
      columns: [
        { text: 'Wash day', style: 'title' },
        { text: runsOf(house.name), alignment: 'right' },
      ],
    },
    { text: say.date(day.date), margin: [0, 0, 0, 6] },
    said(daySentence(totalsOf(facts, state), say)),
    { text: 'Dogs', style: 'section' },
    ...(forAll ? [said(`Every dog: ${noticeTitle(forAll, say)}.`)] : []),
    table(['Dog', 'For', 'Comes', 'Water', 'Mind'], dogs, [146, 'auto', 76, 'auto', '*']),
    ...section(
      'Mix before you start',
      mixes.map(({ mix }) => `${mixName(mix)} for ${mixedFor(mix, say)}. ${mixParagraph(mix, say)}`),
    ),
    ...sectionInTwo(
      'Lay out',
      things.map((t) => {
        const who = t.who.map((w) => (w.count === null ? w.name : `${w.name} ${w.count}`))
        return `${say.said(t.what)}: ${who.join(', ')}`
      }),
    ),
    ...(lines.length > 0
      ? [{ text: 'In order', style: 'section' }, table(['When', 'Dog', 'What'], lines, [110, 120, '*'])]
      : []),
    ...section(
      'What asks for care',
      state.findings.map((f) => `${foundTitle(f, say)}. ${foundText(f, say)}`),
    ),
    {
      text: 'Set and test the water away from the dog. No mains dryer within reach of the tub. Labels, the vet and local rules come first. Diluted product is thrown away tonight.',
      style: 'small',
    },
  ]
  return { title: `Wash day ${day.date}`, content }
}
