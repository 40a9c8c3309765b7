import { WISH_LIMITS } from '@core/day'
import type { WishWeight } from '@core/house'
import type {
  Booking,
  Cost,
  DayFinding,
  DayGap,
  DayLine,
  DayLoad,
  DayMix,
  DayPart,
  DayState,
  DayTotals,
  FoundCode,
  LostPin,
  Part,
  Standing,
  TaskName,
  Term,
  Trade,
  Unplaced,
  WishPrice,
  ToPlace,
} from '@core/washday'
import type { Codes, Said } from '@core/said'
import { SERVICE_NAMES } from './course'
import { filledWords } from './mixing'
import { capital, listed, type Say } from './say'
import type { Phrase, Words } from './types'

/** What each part of a visit is called. */
export const PART_NAMES: Record<Part, string> = {
  prepare: 'look and brush',
  lift: 'lift, two of you',
  bath: 'bath',
  rest: 'shake and rest',
  towel: 'towel',
  alone: 'dries alone',
  dry: 'dry',
  finish: 'finish',
  clean: 'clean the tub',
  away: 'without the dog',
}

/** What a line of the day is called: a part of a visit, or a pause by its own name. */
export const lineWords = ({ part, pause }: Pick<DayLine, 'part' | 'pause'>): string =>
  part === 'pause' ? (pause ?? 'pause') : PART_NAMES[part]

/** A task of a day: "Juniper, dry". */
export const taskWords = ({ name, part }: TaskName): string => `${name}, ${PART_NAMES[part]}`

/** What of an overfull day can be done, by the names of those it takes. */
export function overloadWords({ leave, keep, hands, open, ends }: DayPart, names: readonly string[], say: Say): string {
  const all = keep.length + leave.length
  const need = `The ${all} dogs need ${say.minutes(hands)} of hands, and the house is open for ${say.minutes(open)}.`
  return `${need} It takes ${say.list(names)}, done by ${say.clock(ends)}.`
}

/** A pin that can't hold any more, and where its part stands instead. */
export function lostPinWords({ seat, part, at, now }: LostPin, { seats }: Pick<DayState, 'seats'>, say: Say): string {
  const name = seats.find((s) => s.seat.id === seat)?.dog.name ?? seat
  const what = PART_NAMES[part as keyof typeof PART_NAMES] ?? part
  return `${name}, ${what}: it can’t be held at ${say.clock(at)} any more. It stands at ${say.clock(now)} for now.`
}

/** What of a day doesn't hold: in a few words, and how it is. */
const FOUND: { [C in FoundCode]: { title: Phrase<C>; text: Phrase<C>; short: Phrase<C> } } = {
  'found.late': {
    title: ({ name, minutes }, say) => `${name} is ${say.minutes(minutes)} late`,
    text: ({ ready, pickup, fleas }, say) =>
      `Ready at ${say.clock(ready)}, picked up at ${say.clock(pickup)}.${fleas ? ' Fleas put this dog last in the tub. That pick-up is too early for it.' : ''}`,
    short: ({ name, minutes }, say) => `${name} ${say.minutes(minutes)} late`,
  },
  'found.water': {
    title: ({ name }) => `Hot water runs short for ${name}`,
    text: ({ name, at, coldestC }, say) =>
      `The tank is empty at ${say.clock(at)}; the shower falls to ${say.temperature(coldestC, 0)} while ${name} is under it.`,
    short: 'hot water',
  },
  'found.lowWater': {
    title: ({ litres, at }, say) => `Only ${say.litres(litres, 0)} of hot water left at ${say.clock(at)}`,
    text: ({ litres, full }, say) =>
      `It lasts, with ${say.litres(litres, 0)} of ${say.litres(full, 0)} to spare. A longer rinse would run it dry.`,
    short: 'hot water',
  },
  'found.circuit': {
    title: ({ circuit, at }, say) => `${circuit} would trip at ${say.clock(at)}`,
    text: ({ watts, limit }, say) => `${say.number(watts, 0)} W on a circuit of ${say.number(limit, 0)} W.`,
    short: 'the circuit',
  },
  'found.load': {
    title: ({ circuit, watts, limit }, say) => `${circuit} at ${say.number((100 * watts) / Math.max(1, limit), 0)} %`,
    text: ({ watts, limit, at }, say) =>
      `${say.number(watts, 0)} of ${say.number(limit, 0)} W from ${say.clock(at)}. Nothing else on it then. The local code rules.`,
    short: 'the circuit',
  },
  'found.noise': {
    title: ({ dose, over }, say) =>
      over
        ? `Too loud a day: ${say.number(dose, 0)} % of your noise dose`
        : `${say.number(dose, 0)} % of a day’s noise dose`,
    text: ({ over, at }, say) =>
      over ? `It is full at ${say.clock(at)}.` : 'Wear ear protection; a hood or band for the dogs.',
    short: 'noise',
  },
  'found.dryLonger': {
    title: ({ name, minutes }, say) => `${name} dries ${say.minutes(minutes)} longer`,
    text: ({ humidity }, say) =>
      `The room’s air is ${say.number(humidity, 0)} % humid by then, from the dogs dried before.`,
    short: 'damp air',
  },
  'found.humid': {
    title: ({ humidity, worstAt }, say) => `The room gets damp: ${say.number(humidity, 0)} % at ${say.clock(worstAt)}`,
    text: ({ limit, at }, say) => `Over ${limit} % from ${say.clock(at)}: coats dry slowly, walls get wet.`,
    short: 'damp air',
  },
  'found.towels': {
    title: ({ short }, say) => `${say.count(short, 'towel')} short`,
    text: ({ at }, say) => `The last dry towel is taken at ${say.clock(at)}. Lay out more, or wash between.`,
    short: ({ short }, say) => `${say.count(short, 'towel')} short`,
  },
  'found.crates': {
    title: ({ short, at }, say) => `No crate for ${say.count(short, 'dog')} at ${say.clock(at)}`,
    text: ({ names, crates }, say) =>
      `${say.list(names)} wait or rest at once; ${crates === 0 ? 'no crate is' : `${say.count(crates, 'crate')} ${crates === 1 ? 'is' : 'are'}`} large enough.`,
    short: ({ short }, say) => `no crate for ${say.count(short, 'dog')}`,
  },
  'found.bites': {
    title: ({ name, helper }) =>
      helper === null
        ? `${name} may bite, and there is one pair of hands`
        : `${name} may bite, and ${helper || 'the helper'} isn’t there all the while`,
    text: ({ at }, say) => `From ${say.clock(at)}. A muzzle where the owner consents, and a second person to hold.`,
    short: ({ name }) => `${name} may bite`,
  },
  'found.wait': {
    title: ({ name, minutes }, say) => `${name} waits ${say.minutes(minutes)} at a stretch`,
    text: ({ arrive, ready, most }, say) =>
      `Comes at ${say.clock(arrive)} and is ready at ${say.clock(ready)}. More than ${say.minutes(most)} in a crate is long.`,
    short: ({ name }) => `${name} waits long`,
  },
  'found.wetWait': {
    title: ({ name, minutes }, say) => `${name} stands wet for ${say.minutes(minutes)}`,
    text: ({ from, most }, say) => `From ${say.clock(from)}; ${say.minutes(most)} is what this coat may.`,
    short: ({ name }) => `${name} stands wet`,
  },
  'found.hours': {
    title: ({ end }, say) => `You finish at ${say.clock(end)}`,
    text: ({ over, closing }, say) =>
      `${capital(say.minutes(over))} after your hours, which end at ${say.clock(closing)}.`,
    short: ({ end }, say) => `ends at ${say.clock(end)}`,
  },
}

const found = (finding: Said<FoundCode>, part: 'title' | 'text' | 'short', say: Say): string => {
  const words = FOUND[finding.code][part] as string | ((facts: Codes[FoundCode], say: Say) => string)
  return typeof words === 'string' ? words : words(finding.facts, say)
}

/** A whole hour as it stands on the day's clock, a time of twelve hours without its minutes: "8:00", "8 am". */
export const hourWords = (minute: number, say: Say): string => say.clock(minute % 1440).replace(/:00(?= )/, '')

/** A finding of a day in a few words. */
export const foundTitle = (finding: Said<FoundCode> | DayFinding, say: Say): string => found(finding, 'title', say)
/** How it is, in a sentence. */
export const foundText = (finding: Said<FoundCode> | DayFinding, say: Say): string => found(finding, 'text', say)

const BRUSH_NAMES = {
  rubber: 'Rubber brush or mitt',
  slicker: 'Slicker and comb',
  pin: 'Pin brush and comb',
  soft: 'Soft brush',
}

/** A dog by its name, and how many more. */
const whom = ({ name, more }: { name: string; more: number }) => `${name}${more > 0 ? ` and ${more} more` : ''}`

export const WASHDAY: Words<'do' | 'effect' | 'fit' | 'clash' | 'lay' | 'did'> = {
  'did.add': (of) => `adding ${whom(of)}`,
  'did.takeOff': (of) => `taking ${whom(of)} off`,
  'did.pin': (of) => `holding ${whom(of)}`,
  'did.letGo': (of) => `letting ${whom(of)} go`,
  'did.times': (of) => `when ${whom(of)} ${of.more > 0 ? 'come and go' : 'comes and goes'}`,
  'did.drying': (of) => `how ${whom(of)} ${of.more > 0 ? 'are' : 'is'} dried`,
  'did.service': (of) => `what ${whom(of)} ${of.more > 0 ? 'come' : 'comes'} for`,
  'did.toPlace': 'the list of dogs to be placed',
  'did.price': (of) => `the price for ${whom(of)}`,
  'did.note': (of) => `the note about ${whom(of)}`,
  'did.arrange': 'the arranging',
  'did.progress': 'how far the day is',
  'did.hours': 'hours and pauses',
  'did.helper': 'the helper',
  'did.water': 'when the heater starts',
  'did.air': 'the window',
  'did.towels': 'extra towels',
  'did.ears': 'what is on your ears',
  'did.ticks': 'what is ticked',
  'do.startEarlier': ({ minutes, at }, say) => `Start ${say.minutes(minutes)} earlier, at ${say.clock(at)}`,
  'do.helper': ({ name, from, to }, say) => `${name || 'A helper'} from ${say.clock(from)} to ${say.clock(to)}`,
  'do.comesAt': ({ name, at }, say) => `${name} comes at ${say.clock(at)}`,
  'do.inTurn': ({ dogs }, say) => `Ask ${say.count(dogs, 'dog')} to come when it is their turn`,
  'do.fetchedAt': ({ name, at }, say) => `Ask for ${name} to be picked up at ${say.clock(at)}`,
  'do.unpin': 'Take the pins out',
  'do.again': 'Arrange the day again',
  'do.leaveOut': ({ name, minutes }, say) => `Leave ${name} for another day: ${say.minutes(minutes)} of hands`,
  'do.fan': ({ name }) => `${name} on the fan first, then the brush`,
  'do.shorter': ({ name, service, minutes }, say) =>
    `${name} comes for a bath alone instead of ${SERVICE_NAMES[service]}: ${say.minutes(minutes)} of hands less`,
  'do.window': 'Open a window',
  'do.heater': ({ at }, say) => `Heater on at ${say.clock(at)}, an hour earlier`,
  'do.muffs': ({ nrr }) => `Earmuffs on (labelled ${nrr} dB)`,
  'do.towels': ({ count }, say) => `${say.count(count, 'towel')} more`,
  'effect.finish': ({ at, before }, say) =>
    `you finish at ${say.clock(at)}${before === null ? '' : ` instead of ${say.clock(before)}`}`,
  'effect.late': ({ minutes, before }, say) =>
    minutes === 0 ? 'nobody is late' : `${say.minutes(minutes)} late in all instead of ${say.minutes(before)}`,
  'effect.tank': ({ litres, before }, say) =>
    `the tank stays at ${say.litres(litres, 0)} or more, before ${say.litres(before, 0)}`,
  'effect.noise': ({ dose, before }, say) => `noise ${say.number(dose, 0)} % instead of ${say.number(before, 0)} %`,
  'effect.humid': ({ humidity, before }, say) =>
    `the air is ${say.number(humidity, 0)} % humid at most instead of ${say.number(before, 0)} %`,
  'effect.waits': ({ minutes, before }, say) =>
    `the dogs wait ${say.minutes(minutes)} in all instead of ${say.minutes(before)}`,
  'fit.noPlace': 'no: it can’t be placed',
  'fit.ends': ({ at }, say) => `fits, ends ${say.clock(at)}`,
  'fit.ready': ({ at, mind }, say) => `ready at ${say.clock(at)}${mind ? `; ${found(mind, 'short', say)}` : ''}`,
  'fit.long': ({ minutes }, say) => `only with ${say.minutes(minutes)} in the house`,
  'fit.no': ({ finding }, say) => `no: ${found(finding, 'short', say)}`,
  'clash.pause': ({ name }) => `the pause ${name}`,
  'clash.pin': ({ name, at }, say) => `the pin of ${name}${at === null ? '' : ` at ${say.clock(at)}`}`,
  'clash.dog': ({ name }) => name,
  'clash.away': 'the hours of the helper',
  'clash.midnight': 'midnight: the work is longer than the day',
  'clash.water': 'hot water: the tank is too small for it',
  'clash.waits': 'how long a wet dog may wait',
  'clash.resource': ({ resource }) => `${resource}: one step takes more than there is`,
  'lay.towels': ({ count }, say) => say.count(count, 'towel'),
  'lay.chamois': 'A chamois',
  'lay.plugs': ({ count }, say) => say.count(count, 'cotton plug'),
  'lay.product': ({ product, neat }) => (neat ? `${product}, neat` : product),
  'lay.brush': ({ tool }) => BRUSH_NAMES[tool],
  'lay.cloth': 'Cloths',
  'lay.clip': ({ tool }) =>
    tool === 'scissors' ? 'Scissors' : tool === 'comb' ? 'Clipper and combs' : 'Clipper and blade',
  'lay.nails': 'Nail clipper',
  'lay.own': ({ what }) => what,
  'lay.treats': 'Treats',
  'lay.styptic': 'Styptic powder',
  'lay.muzzle': 'A muzzle, where the owner consents; a second person',
  'lay.vetNumber': 'The vet’s number by the telephone',
  'lay.harness': 'A harness: no loop round the neck',
  'lay.matTool': 'Mat splitter and clipper',
  'lay.without': ({ allergens }, say) => `Labels read: nothing with ${say.list(allergens, 'or')}`,
  'lay.mat': 'A mat that doesn’t slip, on the table and in the tub',
  'lay.coolCloth': 'A cool damp cloth',
  'lay.fleaComb': 'Flea comb and a bag that shuts',
  'lay.hood': 'Hood or band for the ears',
  'lay.proof': 'Ask for the proof of vaccination',
}

/** A mix of the day in words: what to fill with what to which line, and whose bottle is warmed again. */
export function mixWords(mix: DayMix, say: Say): string[] {
  const bottle = {
    how: mix.how,
    waterC: mix.waterC,
    product: { name: mix.product },
    ...(mix.blend === null ? {} : { blend: { product: { name: mix.blend } } }),
  } as Parameters<typeof filledWords>[1]
  const warm = mix.warmAgain.map(({ name, at }) => `${name} at ${say.clock(at)}`)
  return [
    ...mix.vessels.map((filled) => filledWords(filled, bottle, say)),
    ...(warm.length > 0 ? [`Stand it in hot water again before ${listed(warm)}.`] : []),
    ...(mix.later ? ['No bottle is free for it at the start: mix it when one is.'] : []),
  ]
}
/** The same in one paragraph. */
export const mixParagraph = (mix: DayMix, say: Say): string => mixWords(mix, say).join(' ')

/** Whom a mix is for. */
export const mixedFor = ({ seats }: Pick<DayMix, 'seats'>, say: Say): string =>
  listed(seats.map((s) => `${s.name} ${say.volume(s.mL)}`))

/** What a mix is called. */
export const mixName = ({ product, blend }: Pick<DayMix, 'product' | 'blend'>): string =>
  blend === null ? product : `${product} and ${blend}`

/** What is mixed before the first dog, a few words for each product: "92 mL Oat Plain to 1009 mL". */
export const mixesInBriefWords = (
  mixes: readonly { product: string; concentrate: number; mL: number }[],
  say: Say,
): string[] => mixes.map((m) => `${say.volume(m.concentrate)} ${m.product} to ${say.volume(m.mL)}`)

/** How far a day is from the best there can be; a gap that isn’t there says too little. */
export function gapWords(gap: DayGap | undefined, say: Say): string {
  if (gap === undefined) return 'How much better an order could be isn’t known.'
  const saved = gap.late > 0 ? `${say.minutes(gap.late)} of lateness` : say.minutes(gap.minutes)
  if (gap.late + gap.minutes > 0)
    return gap.known
      ? `The quickest order there is would save ${saved}, and meet your wishes worse.`
      : `At most ${saved} could still be saved.`
  return gap.wishes ? 'No order is less late or quicker. Only wishes could be met better.' : 'No better day exists.'
}

/** A better order that was found behind all else. */
export function betterWords(won: DayGap, say: Say): string {
  if (won.late > 0) return `A better order was found: ${say.minutes(won.late)} less lateness.`
  if (won.minutes > 0) return `A better order was found: it saves about ${say.minutes(won.minutes)}.`
  return 'An order was found that meets your wishes better.'
}

/** What a day is weighed by: what it is called, what more of it means, and what less. `now`: as a day has it. */
export const TERM_WORDS: Record<Term, { name: string; more: Worded; less: Worded; now: Worded }> = {
  late: {
    name: 'Late pick-ups',
    more: (m, say) => `${say.minutes(m)} more lateness`,
    less: (m, say) => `${say.minutes(m)} less lateness`,
    now: (m, say) => `${say.minutes(m)} late in all`,
  },
  end: {
    name: 'The end of your work',
    more: (m, say) => `you finish ${say.minutes(m)} later`,
    less: (m, say) => `you finish ${say.minutes(m)} sooner`,
    now: (m, say) => say.clock(m),
  },
  stays: {
    name: 'Time in the house',
    more: (m, say) => `${say.minutes(m)} more in the house, all dogs together`,
    less: (m, say) => `${say.minutes(m)} less in the house, all dogs together`,
    now: (m, say) => `${say.minutes(m)}, all dogs together`,
  },
  longWaits: {
    name: 'Long waits',
    more: (m, say) => `${say.minutes(m)} more of waits beyond ${say.minutes(WISH_LIMITS.longWait.value)}`,
    less: (m, say) => `${say.minutes(m)} less of waits beyond ${say.minutes(WISH_LIMITS.longWait.value)}`,
    now: (m, say) => `${say.minutes(m)} beyond ${say.minutes(WISH_LIMITS.longWait.value)} at one time`,
  },
  apart: {
    name: 'A dog’s work kept together',
    more: (m, say) => `dogs wait ${say.minutes(m)} more in the middle of their visits`,
    less: (m, say) => `dogs wait ${say.minutes(m)} less in the middle of their visits`,
    now: (m, say) => `${say.minutes(m)} of waits beyond ${say.minutes(WISH_LIMITS.apart.value)} between works`,
  },
  tender: {
    name: 'Anxious, young, old and ill dogs soon home',
    more: (m, say) => `anxious, young, old and ill dogs stay ${say.minutes(m)} longer`,
    less: (m, say) => `anxious, young, old and ill dogs stay ${say.minutes(m)} less`,
    now: (m, say) => `${say.minutes(m)} in the house`,
  },
  close: {
    name: 'Time in hand before pick-ups',
    more: (m, say) => `${say.minutes(m)} less in hand before pick-ups`,
    less: (m, say) => `${say.minutes(m)} more in hand before pick-ups`,
    now: (m, say) => `${say.minutes(m)} short of ${say.minutes(WISH_LIMITS.reserve.value)} a dog`,
  },
  breather: {
    name: 'A breather after long drying',
    more: (m, say) => `${say.minutes(m)} less of breathers`,
    less: (m, say) => `${say.minutes(m)} more of breathers`,
    now: (m, say) => `${say.minutes(m)} short of ${say.minutes(WISH_LIMITS.breather.value)} each time`,
  },
  loud: {
    name: 'Loud work not all at once',
    more: (m, say) => `${say.minutes(m)} more loud work at a stretch`,
    less: (m, say) => `${say.minutes(m)} less loud work at a stretch`,
    now: (m, say) => `${say.minutes(m)} beyond ${say.minutes(WISH_LIMITS.loud.value)} at a stretch`,
  },
  scraps: {
    name: 'No short gaps',
    more: (m, say) => `${say.minutes(m)} more in short gaps`,
    less: (m, say) => `${say.minutes(m)} less in short gaps`,
    now: (m, say) => `${say.minutes(m)} in gaps too short for anything`,
  },
}
type Worded = (minutes: number, say: Say) => string

/** What counts how much. */
export const WISH_WEIGHT_WORDS: Record<WishWeight, string> = {
  off: 'not at all',
  some: 'a little',
  usual: 'as usual',
  much: 'much',
}

/** Costs told at the most: the largest. */
const TOLD = 3

const costsInLine = (costs: readonly Cost[], how: 'more' | 'less', say: Say): string =>
  costs
    .slice(0, TOLD)
    .map(({ term, minutes }) => TERM_WORDS[term][how](minutes, say))
    .join('; ')

/** What another order gives, and what that takes: "You finish 12 min sooner. For that: 40 min more in the house…". */
export function tradeWords({ wish, now, could, costs, better }: Trade, say: Say): string {
  const less = TERM_WORDS[wish].less(now - could, say)
  const gain = better ? `Better all in all: ${less}` : capital(less)
  return costs.length === 0 ? `${gain}, for nothing.` : `${gain}. For that: ${costsInLine(costs, 'more', say)}.`
}

/** A term as a day has it. */
export function termNow(term: Term, minutes: number, say: Say): string {
  if (minutes > 0) return TERM_WORDS[term].now(minutes, say)
  if (term === 'late') return 'none'
  return term === 'tender' ? 'none here today' : 'as wished'
}

/** What a wish costs, or who isn't ready in time. */
export function priceWords(price: WishPrice, nameOf: (seatId: string) => string, say: Say): string {
  if (!price.granted) {
    const late = price.late.map(({ seatId, ready }) => `${nameOf(seatId)} at ${say.clock(ready)}`)
    return `No order was found for that. The nearest: ${say.list(late)}.`
  }
  const saves = price.saves.length > 0 ? ` It saves: ${costsInLine(price.saves, 'less', say)}.` : ''
  if (price.costs.length === 0) return `That costs nothing.${saves}`
  return `That costs: ${costsInLine(price.costs, 'more', say)}.${saves}`
}

/** The day in a sentence: how many dogs, hands, end, water, towels. */
export function daySentence({ dogs, towels, run }: DayTotals, say: Say): string {
  const count = say.count(dogs, 'dog')
  if (!run) return `${count}, not arranged yet.`
  const end = `${capital(say.minutes(run.handMinutes))} of hands, done by ${say.clock(run.end)}`
  return `${count}, ${end}; ${say.litres(run.hotLitres, 0)} of hot water, ${say.count(towels, 'towel')}.`
}

/** How full a day is: when it ends, and for how many more there is room while it is to come. */
export function loadWords({ ends, room, hands, water, noise }: DayLoad, toCome: boolean, say: Say): string {
  const end = ends === null ? [] : [`till ${say.clock(ends)}`]
  const most = Math.max(hands, water, noise)
  const of = most === hands ? 'hands' : most === water ? 'hot water' : 'noise'
  const full = most > 1 ? [`more ${of} than it has`] : room === 0 ? ['full'] : [`room for about ${room}`]
  return say.capital([...end, ...(toCome ? full : [])].join(', '))
}

/** When a dog is due that was put on a day. */
export function bookedWords({ due, date, arrive, pickup }: Booking, say: Say): string {
  const hours = `${say.clock(arrive)} to ${say.clock(pickup)}`
  return due === date ? hours : `${hours}, due ${say.date(due, 'day')}`
}

/** Why a dog that is due is on no day. */
export const unplacedWords = ({ due, band, why }: Unplaced, say: Say): string =>
  `due ${say.date(due, 'day')}; no wash day within ${say.count(band, 'day')} takes it (${say.said(why)})`

/** Why a dog is on no day, and what it was to come for. */
export function toPlaceWords(of: ToPlace & { date: string }, say: Say): string {
  const on = `${say.date(of.date, 'weekday')} ${say.date(of.date, 'day')}`
  const why = of.why === 'takenOff' ? `Taken off ${on}` : `Didn’t fit on ${on}`
  const { service, note } = of.seat
  return [why, ...(service ? [SERVICE_NAMES[service]] : []), ...(note ? [note] : [])].join(', ')
}

const NTH = ['first', 'second', 'third', 'fourth', 'last']

/** A rhythm in words: "the third Saturday of every month", "every 6 weeks on Saturday". */
export function rhythmWords({ from, rhythm }: Pick<Standing, 'from' | 'rhythm'>, say: Say): string {
  const weekday = say.date(from, 'weekday')
  if (rhythm.kind === 'month') return `the ${NTH[rhythm.nth - 1]} ${weekday} of every month`
  return rhythm.every === 1 ? `every ${weekday}` : `every ${rhythm.every} weeks on ${weekday}`
}
