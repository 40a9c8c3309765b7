import type { Content } from 'pdfmake/interfaces'
import { say } from '../../core/units'
import { clockText, daySentence, linesOfDay, prepareList, type DayFacts, type DayState } from '../../core/washday'
import { renderPdf, said, section } from './pdf'
import { runsOf } from './runs'

const dateOf = (day: string) =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  })

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
export function daySheet(facts: DayFacts, state: DayState): Promise<Buffer> {
  const { day, house } = facts
  const { mixes, things } = prepareList(facts, state)
  const dogs = state.seats.map(({ seat, dog, plan }) => {
    const run = state.run?.seats.find((s) => s.id === seat.id)
    const water = plan.go ? `${say(plan.water.target.value)} °C` : 'no bath'
    const stops = plan.stops.map((s) => `STOP: ${s.title}`)
    const care = plan.cautions.filter((c) => c.id !== 'scald' && c.id !== 'current').map((c) => c.title)
    return [
      dog.name,
      clockText(seat.arrive),
      run ? clockText(run.ready) : '',
      clockText(seat.pickup),
      water,
      [...stops, ...care.slice(0, 2)].join('. '),
    ]
  })
  const lines = linesOfDay(facts, state).map((l) => [`${clockText(l.at)} to ${clockText(l.until)}`, l.name, l.what])
  const content: Content[] = [
    {
      columns: [
        { text: 'Wash day', style: 'title' },
        { text: runsOf(house.name), alignment: 'right' },
      ],
    },
    { text: dateOf(day.date), margin: [0, 0, 0, 6] },
    said(daySentence(facts, state)),
    { text: 'Dogs', style: 'section' },
    table(['Dog', 'Comes', 'Ready', 'Fetched', 'Water', 'Mind'], dogs, ['auto', 'auto', 'auto', 'auto', 'auto', '*']),
    ...section(
      'Mix before you start',
      mixes.map(
        (m) =>
          `${m.mix.product} for ${m.who}. ${m.words.join(' ')}${m.mix.later ? ' No bottle is free for it at the start: mix it when one is.' : ''}`,
      ),
    ),
    ...section(
      'Lay out',
      things.map((t) => `${t.what}: ${t.who.join(', ')}`),
    ),
    { text: 'In order', style: 'section' },
    ...(lines.length > 0 ? [table(['When', 'Dog', 'What'], lines, [110, 120, '*'])] : [said('Not arranged yet.')]),
    ...section(
      'What asks for care',
      state.findings.map((f) => `${f.title}. ${f.text}`),
    ),
    {
      text: '\nSet and test the water away from the dog. No mains dryer within reach of the tub. Labels, the vet and local rules come first. Diluted product is thrown away tonight.',
      style: 'small',
    },
  ]
  return renderPdf(`Wash day ${day.date}`, content)
}
