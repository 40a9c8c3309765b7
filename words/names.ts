import type { RedFlag, CoatType, FindingKind, Skin, Zone } from '@core/dog'
import type { Nozzle, Direction, Technique } from '@core/drying'
import type { DropName } from '@core/handling'
import type { Method, MeasureTool, ProductKind } from '@core/mix'
import type { SoapPlaceName } from '@core/rinse'
import { owedCents, paidCents, paymentsOf, tipCents, type Paid, type PaidHow } from '@core/tubside'
import type { Say } from './say'
import type { Care, Compared, LeftOut, LeftOutWhat, ShortBecause, StepName } from '@core/visit'
import { listed } from './say'

/** Each zone in the words that a groomer reads. */
export const ZONE_NAMES: Record<Zone, string> = {
  head: 'head',
  ears: 'ears',
  neck: 'neck and chest',
  back: 'back and sides',
  belly: 'belly and groin',
  forelegs: 'forelegs and armpits',
  hindlegs: 'hindlegs and inner thighs',
  feet: 'feet',
  tail: 'tail and its root',
}
const ALL_ZONES = Object.keys(ZONE_NAMES) as Zone[]

/** Zones in words; "the whole dog" or "all but the head" where that is shorter. */
export function zonesText(zones: readonly Zone[]): string {
  if (zones.length === 0 || zones.length === ALL_ZONES.length) return 'the whole dog'
  const missing = ALL_ZONES.filter((z) => !zones.includes(z))
  if (missing.length <= 2) return `all but the ${listed(missing.map((z) => ZONE_NAMES[z]))}`
  return listed(zones.map((z) => ZONE_NAMES[z]))
}

/** Zones one by one: "feet and belly and groin". */
export const zonesListed = (zones: readonly Zone[], last = 'and') =>
  listed(
    zones.map((z) => ZONE_NAMES[z]),
    last,
  )

/** A zone of a side: "left forelegs and armpits". */
export const placeText = (zone: Zone, side: 'both' | 'left' | 'right'): string =>
  side === 'both' ? ZONE_NAMES[zone] : `${side} ${ZONE_NAMES[zone]}`

/** The coat in a phrase: "long double coat", "hairless skin". */
export const coatWords = (coat: CoatType): string => (coat === 'hairless' ? 'hairless skin' : `${coat} coat`)
/** With its article: "a long double coat". */
export const aCoat = (coat: CoatType): string => (coat === 'hairless' ? 'hairless skin' : `a ${coat} coat`)

export const SKIN_NAMES: Record<Skin, string> = {
  dry: 'dry',
  greasy: 'greasy',
  itchy: 'itchy',
  'flea-bitten': 'flea-bitten',
  sensitive: 'sensitive',
  inflamed: 'inflamed',
  broken: 'broken',
  'vet-treated': 'vet-treated',
}
/** "itchy skin", "puppy skin". */
export const skinWords = (skin: Skin | 'puppy'): string => `${skin === 'puppy' ? 'puppy' : SKIN_NAMES[skin]} skin`

export const KIND_NAMES: Record<ProductKind, string> = {
  cleaning: 'cleaning',
  degreasing: 'degreasing',
  whitening: 'whitening',
  soothing: 'soothing',
  moisturising: 'moisturising',
  medicated: 'medicated',
  texturing: 'texturing',
  'tear-free': 'tear-free',
  flea: 'flea',
  conditioner: 'conditioner',
  mask: 'mask',
  'leave-in': 'leave-in or detangler',
  'finishing oil': 'finishing oil',
  scent: 'scent',
  'ear cleaner': 'ear cleaner',
  'ear drying': 'ear drying',
  'ear powder': 'ear powder',
  'wax softener': 'ear wax softener',
  disinfectant: 'disinfectant',
}

/** How a mix is put on the dog. */
export const METHOD_NAMES: Record<Method, string> = {
  spray: 'spray bottle: evenly spread',
  bottle: 'marked bottle',
  froth: 'froth bowl: whipped to foam',
  proportioner: 'proportioner in the hose',
}

/** With what product is measured. */
export const TOOL_NAMES: Record<MeasureTool, string> = {
  pump: 'pump strokes',
  spoon: 'teaspoons',
  syringe: 'syringe',
  jug: 'measuring jug',
}

/** The ways of drying a dog. */
export const TECHNIQUE_NAMES: Record<Technique, string> = {
  'velocity, then brush': 'velocity, then brush',
  velocity: 'velocity dryer alone',
  'warm brush': 'warm brush',
  fan: 'fan',
  'fan, then brush': 'fan, then brush',
  'brush, then air': 'short brush, then wrapped up',
  air: 'air',
}

/** Which way the air goes over a zone. */
export const DIRECTION_NAMES: Record<Direction, string> = {
  withTheLie: 'with the lie',
  againstTheLie: 'against the lie, brush lifting',
  anyDirection: 'any direction, the coat parted to the skin',
  straightFromSkin: 'brushed straight from the skin; what dries by itself stays crimped',
  downTheLie: 'downwards with the lie, section by section',
  flatOnTheBody: 'flat on the body, with the lie',
  straightDown: 'straight and downwards',
  cordByCord: 'cord by cord, squeezed first',
  patted: 'patted, not rubbed',
  awayFromEyes: 'away from the eyes, with the lie',
  byItself: 'by itself; combed through now and then',
}
export const NOZZLE_NAMES: Record<Nozzle, string> = {
  none: 'none',
  off: 'off',
  gentle: 'none: gentle air that pushes, not whips',
  flat: 'flat and wide',
  wide: 'wide',
}
/** What to mind while drying a zone. */
export const ZONE_MINDS: Partial<Record<Zone, string>> = {
  head: 'never into eyes or nose; free hand between air and eye',
  ears: 'never into the canal; hold the flap shut over it',
  belly: 'not on the genitals; groin and teats by hand',
  tail: 'never at the anus; to the root',
  forelegs: 'armpits stay damp: lift the leg forward',
  hindlegs: 'inner thighs stay damp',
  feet: 'between the toes',
}

/** Where soap stays. */
export const SOAP_PLACES: Record<SoapPlaceName, string> = {
  folds: 'the folds',
  behindEars: 'behind the ears',
  armpits: 'the armpits',
  groin: 'belly and groin',
  betweenHindLegs: 'between the hind legs',
  underTail: 'under the tail',
}
export const soapPlaceText = (place: SoapPlaceName | Zone): string =>
  place in SOAP_PLACES ? SOAP_PLACES[place as SoapPlaceName] : ZONE_NAMES[place as Zone]

export const FINDING_NAMES: Record<FindingKind, string> = {
  lump: 'lump',
  mole: 'mole',
  tick: 'tick',
  redness: 'redness',
  cut: 'cut',
  'hot spot': 'hot spot',
  mat: 'mat',
  sore: 'sore',
  'bald patch': 'bald patch',
  other: 'other',
}

/** What may be dropped when a dog has had enough. */
export const DROP_WORDS: Record<DropName, string> = {
  nails: 'nails: another day',
  conditioner: 'conditioner',
  comb: 'the full comb-through: the worst places only',
  ears: 'ears: look only',
  oneWash: 'one of the two shampoos',
  face: 'water on the face: a cloth',
  dryer: 'the dryer: towels and fan, to dry at the skin',
}

/** Why a visit is kept short. */
export const SHORT_WORDS: Record<ShortBecause, string> = {
  puppy: 'a puppy',
  senior: 'an old dog',
  firstBath: 'a first bath',
  rescue: 'a new rescue',
  anxious: 'a frightened dog',
}
/** What everybody who touches a dog must know. */
export const RED_FLAG_NAMES: Record<RedFlag, string> = {
  bites: 'may bite',
  vetFirst: 'vet first',
  heart: 'heart',
  fits: 'fits',
  windpipe: 'windpipe',
  felted: 'felted',
  allergy: 'allergy',
  pregnant: 'pregnant',
  joints: 'sore joints',
  blind: 'blind',
  deaf: 'deaf',
  vaccination: 'vaccination over',
  shortNose: 'short nose',
  firstVisit: 'first visit',
  fleas: 'fleas',
}
/** How a visit is paid. */
export const PAID_HOW_NAMES: Record<PaidHow, string> = {
  cash: 'cash',
  card: 'card',
  transfer: 'bank transfer',
  later: 'later',
  package: 'one paid ahead',
  credit: 'credit',
}
/** What was paid and how: "€45 paid by card", "€45 to be paid later". */
export function paidWords(paid: Paid, say: Say): string {
  const { price, how } = paid
  const last = paymentsOf(paid).at(-1)
  const [given, owed, tip] = [paidCents(paid), owedCents(paid), tipCents(paid)]
  const money = (cents: number) => say.money({ cents, currency: price.currency })
  if (how === 'later' || given === 0) return `${say.money(price)} to be paid later`
  if (owed > 0) return `${money(given)} of ${say.money(price)} paid, ${money(owed)} owed`
  if (last && last.cents < price.cents) return `${say.money(price)} paid, the last ${money(last.cents)} ${paidBy(how)}`
  if (tip > 0) return `${say.money(price)} paid, ${money(tip)} tip`
  return `${say.money(price)} paid ${paidBy(how)}`
}
/** By what it was paid: "by card", "in cash", "ahead". */
export const paidBy = (how: PaidHow): string => {
  if (how === 'package') return 'ahead'
  return `${how === 'cash' ? 'in' : how === 'credit' ? 'from' : 'by'} ${PAID_HOW_NAMES[how]}`
}
/** What is done at intervals of its own. */
export const CARE_NAMES: Record<Care, string> = {
  nails: 'nails',
  earHair: 'ear hair',
  teeth: 'teeth',
  glands: 'glands',
}
/** What a visit leaves out, with when to do it. */
const LEFT_OUT_WORDS: Record<Exclude<LeftOutWhat, Exclude<Care, 'nails'>>, string> = {
  secondWash: 'the second shampoo: from the next visit on, once it stands well',
  nails: 'nails: a day of their own, one foot at a time',
  face: 'water on the head: by cloth today, by cup when the dog is used to it',
  conditioner: 'conditioner: when it stands a bath well',
  brushing: 'a full brush-out: loose hair and the worst mat today, a little more each time',
  combing: 'combing through: when it is dry at home, or next time',
  tidy: 'tidying: on a day of its own',
  upperBody: 'back and neck: in a second visit',
  drying: 'drying to the skin by hand: a short stretch, then towels and a warm room',
}
/** Something that a visit leaves out, with when to do it, or when it was done. */
export function leftOutWords({ what, last }: LeftOut, say: Say): string {
  if (what !== 'earHair' && what !== 'teeth' && what !== 'glands' && last === undefined) return LEFT_OUT_WORDS[what]
  return `${CARE_NAMES[what as Care]}, done on ${say.date(last ?? '', 'day')}`
}

const TITLES: Record<StepName['kind'], string> = {
  look: 'Look over',
  brush: 'Brush out',
  blowOut: 'Blow out',
  nails: 'Nails',
  earClean: 'Ears',
  plugIn: 'Cotton in',
  plugOut: 'Cotton out',
  liftIn: 'Into the tub',
  wet: 'Wet down',
  wash: 'Wash',
  face: 'Face',
  stand: 'Stays on',
  rinse: 'Rinse',
  condition: 'Conditioner',
  squeeze: 'Squeeze',
  liftOut: 'Out of the tub',
  shake: 'Shake and rest',
  towel: 'Towel',
  setUp: 'Set up dryer',
  dry: 'Dry',
  comb: 'Comb through',
  topknot: 'Topknot',
  deShed: 'Comb undercoat out',
  clip: 'Clip',
  tidy: 'Tidy up',
  teeth: 'Teeth',
  glands: 'Glands',
  handOver: 'Hand over',
  clean: 'Clean the tub',
  leaveIn: 'Leave-in',
  finish: 'Oil on the ends',
  own: 'Own step',
}
const ROLE_TITLES: Record<string, string> = {
  'wash clean': 'Wash one',
  'wash treat': 'Wash two',
  'wash mild': 'Wash three, body',
  'rinse first': 'First rinse',
  'rinse between': 'Rinse between',
  'rinse last': 'Last rinse',
  'rinse conditioner': 'Conditioner out',
  'brush rubber': 'Rubber brush',
  'brush matsOnly': 'Open the mats',
  'clip rough': 'Rough clip',
  'comb cloth': 'Cloth over',
  'face cloth': 'Face by cloth',
  'dry fan': 'Fan first',
  'dry wrapped': 'Wrapped up warm',
  'dry fast': 'Fast air, whole dog',
  'finish scent': 'Scent',
}

/** What a step is called. */
export const stepTitle = ({ kind, role, name }: StepName): string =>
  name ?? ROLE_TITLES[`${kind} ${role ?? ''}`] ?? TITLES[kind]

/** What of two plans is compared. */
export const COMPARED_NAMES: Record<Compared, string> = {
  stops: 'Stops',
  shampoo: 'Shampoo',
  byZone: 'By zone',
  ratio: 'Ratio',
  volume: 'Mix for each wash',
  contact: 'Stays on',
  water: 'Water',
  passes: 'Rinse passes',
  lastRinse: 'Last rinse',
  leftEar: 'Left ear',
  rightEar: 'Right ear',
  technique: 'Technique',
  drying: 'Drying',
  conditioner: 'Conditioner',
  brushBefore: 'Brush before',
  comeAgain: 'Come again',
  wholeVisit: 'Whole visit',
}
