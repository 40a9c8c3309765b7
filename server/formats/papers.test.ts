import type { Content } from 'pdfmake/interfaces'
import { Dog } from '@core/dog'
import { idAt, oatShelf, roomWith } from '@core/fixtures'
import { NOTHING_KNOWN, planVisit, Today } from '@core/visit'
import type { ReceiptRecord } from '@core/money'
import { METRIC_SAY } from '@words'
import { letterContent, slipContent, type PaperFacts } from './papers'
import { receiptPaper } from './receipt'

/** All words of a paper in reading order. */
const textOf = (content: unknown): string => {
  if (typeof content === 'string') return content
  if (Array.isArray(content)) return content.map(textOf).join(' ')
  if (typeof content !== 'object' || content === null) return ''
  const { text, ul, stack, columns } = content as Record<string, unknown>
  return [text, ul, stack, columns].map(textOf).join(' ')
}
const read = (content: Content[]) => textOf(content).replace(/\s+/g, ' ')

const UNTOUCHED = { rounds: 0, signs: [] }
function factsOf(today: Record<string, unknown> = {}, begun = true): PaperFacts {
  const dog = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire', earCarriage: 'drop', vet: 'Dr Vetch', owner: 'Ada' })
  const house = roomWith({ name: 'The back room', groomer: 'Ida', contact: '0123 456' })
  const on = Today.parse({ date: '2026-11-28', ...today })
  const products = oatShelf()
  const plan = planVisit(dog, on, products, house, NOTHING_KNOWN)
  const inputs = { dog, today: on, products, house, memory: NOTHING_KNOWN }
  const visit = {
    id: idAt(1),
    version: 1,
    changedAt: '',
    dogId: idAt(2),
    date: on.date,
    engine: plan.engine,
    inputs,
    plan,
  }
  return { visit, findings: [], begun, ears: { left: UNTOUCHED, right: UNTOUCHED } }
}

test('both papers carry the room, who works there and how to reach them', () => {
  for (const paper of [letterContent, slipContent])
    expect(read(paper(factsOf()))).toContain('The back room Ida 0123 456')
})

test('nothing is told as used before the visit has begun', () => {
  const planned = [slipContent, letterContent].map((paper) => read(paper(factsOf({}, false))))
  for (const text of planned) {
    expect(text).toContain('Planned, nothing used yet')
    expect(text).not.toMatch(/Used/)
  }
  expect(read(slipContent(factsOf()))).toMatch(/Used Oat/)
})

test('an ear with a bad sign is for the vet, and the slip gives no care against it', () => {
  const red = { leftEar: { signs: ['flaming red'] } }
  const slip = read(slipContent(factsOf(red)))
  expect(slip).toContain('Left ear: flaming red. Nothing was put in.')
  expect(slip).toMatch(/vet/)
  expect(slip).not.toContain('Lift the ears')
  expect(read(slipContent(factsOf()))).toContain('Lift the ears')
})

test('a sign that was found at the table is for the vet too: how far it went, and no care against it', () => {
  const facts = factsOf()
  const found = (rounds: number): PaperFacts => ({
    ...facts,
    ears: { left: { rounds, signs: ['bad smell'] }, right: UNTOUCHED },
  })
  for (const paper of [slipContent, letterContent]) {
    expect(read(paper(found(0)))).toContain('Left ear: bad smell, found at the table; nothing was put in.')
    expect(read(paper(found(2)))).toContain('found at the table; stopped after 2 rounds of cleaner.')
  }
  expect(read(slipContent(found(0)))).toMatch(/Left ear: let a vet see it/)
  expect(read(slipContent(found(0)))).not.toContain('Lift the ears')
})

test('what went wrong at the tub stands on both papers, with what to watch for; nothing where nothing did', () => {
  const facts = { ...factsOf(), happened: [{ what: 'nail cut to the quick' as const, text: 'left fore' }] }
  for (const paper of [slipContent, letterContent]) {
    expect(read(paper(facts))).toContain('Nail cut to the quick (left fore). Still bleeding after 15 minutes: the vet.')
    expect(read(paper(factsOf()))).not.toMatch(/What happened/)
  }
})

describe('a receipt', () => {
  const record: ReceiptRecord = {
    house: 'The back room',
    groomer: 'Ida',
    contact: '0123 456',
    dog: 'Moss',
    date: '2026-12-01',
    service: 'bath',
    price: { cents: 45_00, currency: 'EUR' },
    ahead: null,
    also: [],
    paid: [
      { cents: 20_00, how: 'cash' },
      { cents: 15_50, how: 'card' },
    ],
    tax: { percent: 19, cents: 5_67 },
  }
  const paper = (more: Partial<ReceiptRecord> = {}, copy = false) =>
    read(receiptPaper({ number: 12, record: { ...record, ...more }, copy }, METRIC_SAY).content)

  test('says who gave it, its number, what for, how it was paid, what is owed and the tax in it', () => {
    const text = paper()
    for (const part of [
      'Receipt 12',
      'The back room',
      'Ida',
      '0123 456',
      'Bath: Moss €45',
      'Paid, cash €20',
      'Paid, card €15.50',
      'Paid in all €35.50',
      'Still owed €9.50',
      'tax at 19 % €5.67',
    ])
      expect(text).toContain(part)
    expect(text).not.toContain('copy')
  })
  test('says copy, and nothing of tax, debt or a dog that there isn’t', () => {
    const text = paper({ dog: '', tax: null, paid: [{ cents: 45_00, how: 'card' }] }, true)
    expect(text).toContain('Receipt 12, copy')
    expect(text).toContain('Bath €45')
    expect(text).not.toMatch(/tax|owed|Moss/)
  })
  test('of two dogs has a line for each and the sum; one of a payment into an account says so', () => {
    const visitId = '00000000-0000-4000-8000-000000000001'
    const fig = { visitId, dog: 'Fig', service: 'fullClip', cents: 60_00, paid: 60_00 } as const
    const both = [{ cents: 105_00, how: 'card' as const }]
    const text = paper({ also: [{ ...fig, date: '2026-12-01' }], paid: both })
    for (const part of ['Bath: Moss €45', 'Bath and full clip: Fig €60', 'In all €105', 'Paid in all €105'])
      expect(text).toContain(part)
    expect(text).not.toContain('owed')
    expect(paper({ also: [{ ...fig, date: '2026-11-28' }], paid: both })).toContain(
      'Bath and full clip: Fig, 28 Nov 2026 €60',
    )
    expect(paper({ dog: '', service: null, paid: [{ cents: 45_00, how: 'cash' }] })).toContain(
      'Towards the account €45',
    )
  })
})
