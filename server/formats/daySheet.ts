import type { Content } from 'pdfmake/interfaces'
import { unitsOf } from '@core/house'
import { linesOfDay, prepareList, totalsOf, type DayFacts, type DayState } from '@core/washday'
import {
  daySentence,
  foundText,
  foundTitle,
  lineWords,
  mixedFor,
  mixName,
  mixParagraph,
  noticeTitle,
  sayIn,
} from '@words'
import { said, section, type Paper } from './pdf'
import { runsOf } from './runs'

const cell = (text: string): Content => ({ text: runsOf(text) })
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
  const dogs = state.seats.map(({ seat, dog, plan }) => {
    const run = state.run?.seats.find((s) => s.id === seat.id)
    const water = plan.go ? say.temperature(plan.water.target.value) : 'no bath'
    const stops = plan.stops.map((s) => `STOP: ${noticeTitle(s, say)}`)
    const care = plan.cautions
      .filter((c) => c.code !== 'caution.scald' && c.code !== 'caution.current')
      .map((c) => noticeTitle(c, say))
    return [
      dog.name,
      say.clock(seat.arrive),
      run ? say.clock(run.ready) : '',
      say.clock(seat.pickup),
      water,
      [...stops, ...care.slice(0, 2)].join('. '),
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
    table(['Dog', 'Comes', 'Ready', 'Fetched', 'Water', 'Mind'], dogs, ['auto', 'auto', 'auto', 'auto', 'auto', '*']),
    ...section(
      'Mix before you start',
      mixes.map(({ mix }) => `${mixName(mix)} for ${mixedFor(mix, say)}. ${mixParagraph(mix, say)}`),
    ),
    ...section(
      'Lay out',
      things.map((t) => {
        const who = t.who.map((w) => (w.count === null ? w.name : `${w.name} ${w.count}`))
        return `${say.said(t.what)}: ${who.join(', ')}`
      }),
    ),
    { text: 'In order', style: 'section' },
    ...(lines.length > 0 ? [table(['When', 'Dog', 'What'], lines, [110, 120, '*'])] : [said('Not arranged yet.')]),
    ...section(
      'What asks for care',
      state.findings.map((f) => `${foundTitle(f, say)}. ${foundText(f, say)}`),
    ),
    {
      text: '\nSet and test the water away from the dog. No mains dryer within reach of the tub. Labels, the vet and local rules come first. Diluted product is thrown away tonight.',
      style: 'small',
    },
  ]
  return { title: `Wash day ${day.date}`, content }
}
