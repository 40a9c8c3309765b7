import {
  breedNamed,
  FLAGS_BESIDE_A_NAME,
  isOddWeight,
  redFlagsOf,
  type Dog,
  type FindingStory,
  type Muzzle,
  type RedFlag,
  type Shade,
  type Skin,
  type Stage,
  type Tail,
} from '@core/dog'
import { HANDWORK } from '@core/groomer'
import { dueState, type Due } from '@core/visit'
import { coatWords, FINDING_NAMES, placeText, RED_FLAG_NAMES, SKIN_NAMES } from './names'
import { capital, type Say } from './say'

/** A finding in a few words: "Lump, left back and sides". */
export const findingTitle = ({ kind, side, zone }: FindingStory): string =>
  `${capital(FINDING_NAMES[kind])}, ${placeText(zone, side ?? 'both')}`

/** A finding as it went: "8 mm on 3 May 2026, 11 mm on 24 Nov 2026: it grew. Mention it to the vet." */
export function findingText({ last, gone, size, first, grew, vet }: FindingStory, say: Say): string {
  if (gone) return `Gone on ${say.date(last, 'short')}.`
  const at = (s: { mm: number; date: string }) => `${say.number(s.mm)} mm on ${say.date(s.date, 'short')}`
  const sizes = size ? [...(first ? [at(first)] : []), at(size)].join(', ') : `seen on ${say.date(last, 'short')}`
  const change = grew ? ': it grew' : first ? ': no growth' : ''
  return `${sizes}${change}.${vet ? ' Mention it to the vet.' : ''}`
}

/** Breed, weight and coat in one line. */
export const dogLine = (dog: Dog, say: Say): string =>
  [dog.breed, say.weight(dog.weightKg), coatWords(dog.coat)].filter((w) => w !== '').join(', ')

/** The same in a list, where the coat is drawn beside it. */
export const dogBrief = ({ breed, weightKg, coat }: Dog, say: Say): string =>
  `${breed || capital(coatWords(coat))}, ${say.weight(weightKg)}`

/** When a dog comes or is due: "comes on 28 November", "due since 14 November", "due on 3 December", "not here yet". */
export function dueWords(due: Due, today: string, say: Say): string {
  const at = (date: string | null) => say.date(date!, 'day')
  switch (dueState(due, today)) {
    case 'booked':
      return due.booked === today ? 'comes today' : `comes on ${at(due.booked)}`
    case 'over':
      return `due since ${at(due.due)}`
    case 'soon':
      return due.due === today ? 'due today' : `due on ${at(due.due)}`
    case 'later':
      return `due about ${at(due.due)}`
    case 'new':
      return 'not here yet'
  }
}

/** The skin in a line: "dry, itchy skin", "sound skin". */
export const skinLine = (skin: readonly Skin[]): string =>
  skin.length > 0 ? `${skin.map((s) => SKIN_NAMES[s]).join(', ')} skin` : 'sound skin'

/** What hurts somebody where it isn’t known. */
const WORST = new Set<RedFlag>(['bites', 'vetFirst', 'heart', 'fits', 'windpipe', 'felted', 'allergy'])
/** What the record expects that a groomer should know at a glance, the worst first: two at the most. `on`: the day that is meant. */
export function dogFlags(dog: Dog, say: Say, on?: string): { state: 'stop' | 'watch'; text: string }[] {
  const { known, stage, weightKg } = dog
  const ears = (['left', 'right'] as const).flatMap((side) => {
    const { signs } = side === 'left' ? known.leftEar : known.rightEar
    return signs.length > 0 ? [{ state: 'stop' as const, text: `${capital(side)} ear: ${signs[0]}` }] : []
  })
  // an ear says itself why
  const flags = redFlagsOf(dog, { ...known, date: on }).filter((flag) => flag !== 'vetFirst' || ears.length === 0)
  const red = flags.map((flag) => ({
    state: WORST.has(flag) ? ('stop' as const) : ('watch' as const),
    text: RED_FLAG_NAMES[flag],
  }))
  const care = [
    ...(known.skin.length > 0 ? [`${say.list(known.skin.map((s) => SKIN_NAMES[s]))} skin`] : []),
    ...(stage === 'puppy' ? ['puppy'] : []),
    ...(weightKg > HANDWORK.heavy.value ? ['heavy lift'] : []),
  ]
  return [...red, ...ears, ...care.map((text) => ({ state: 'watch' as const, text }))]
    .sort((a, b) => Number(b.state === 'stop') - Number(a.state === 'stop'))
    .slice(0, FLAGS_BESIDE_A_NAME)
}

/** How a tail is carried. */
export const TAIL_NAMES: Record<Tail, string> = {
  raised: 'raised',
  curled: 'curled over the back',
  hanging: 'hanging',
  stub: 'a stub',
}
/** How long a nose is. */
export const MUZZLE_NAMES: Record<Muzzle, string> = { short: 'short', middle: 'middling', long: 'long' }
/** The colour that most of a coat has. */
export const SHADE_NAMES: Record<Shade, string> = {
  white: 'white',
  cream: 'cream or fawn',
  gold: 'gold',
  red: 'red',
  brown: 'brown',
  grey: 'grey',
  black: 'black',
}

/** What is asked where a weight (kg) hardly goes with a breed, by its name; undefined where nothing is. */
export function oddWeightWords(name: string, kg: number, stage: Stage, say: Say): string | undefined {
  const breed = breedNamed(name)
  if (!breed || !(kg > 0) || !isOddWeight(breed, kg, stage === 'puppy')) return undefined
  return `Usually ${say.weight(breed.lightest)} to ${say.weight(breed.heaviest)}. Is ${say.weight(kg)} right?`
}
