import { z } from 'zod'

/** One question on which good groomers differ: the schools, the default first, and why it is the default. */
export interface School {
  question: string
  choices: Record<string, string>
  why: string
}

/** The schools that move a plan, by their number in the trade. The first choice is the default. */
export const SCHOOLS = {
  S1: {
    question: 'Coat preparation',
    choices: {
      blow: 'blow out if shedding, else brush',
      brush: 'brush out always',
      straight: 'straight to the tub, the dryer does it',
    },
    why: 'water tightens mats, and loose coat keeps product off the skin',
  },
  S2: {
    question: 'Water feel',
    choices: { warm: 'a little above lukewarm', neutral: 'skin-neutral, hardly felt' },
    why: 'comfort, and oils move; itchy or hot dogs go cooler anyway',
  },
  S3: {
    question: 'Washing order',
    choices: {
      under: 'underside and legs, body, head last',
      neck: 'neck to tail, head last',
      face: 'face first',
    },
    why: 'the longest contact where the dirt is; the head wet late, so less shaking',
  },
  S4: {
    question: 'Number of shampoos',
    choices: { two: 'two: clean, then treat', one: 'one, fully rinsed', three: 'three when degreased' },
    why: 'the first lifts dirt, the second works on clean skin',
  },
  S5: {
    question: 'Conditioner',
    choices: { coat: 'by coat', always: 'always', never: 'never unless asked' },
    why: 'show texture and smooth coats lose by softening',
  },
  S6: {
    question: 'Ears in the visit',
    choices: { before: 'before the bath', between: 'between towel and dryer', after: 'after drying' },
    why: 'what comes out is washed off',
  },
  S7: {
    question: 'Drying the head',
    choices: {
      towel: 'towel the face well, cool low air last',
      last: 'keep the head damp and dry it last with the brush',
      cloth: 'cloth and fan only',
    },
    why: 'least dryer on the part dogs hate most',
  },
  S8: {
    question: 'Interval',
    choices: {
      coat: 'by coat and skin',
      seldom: 'as seldom as possible',
      fortnight: 'every 2 weeks',
      monthly: 'every 4 to 6 weeks',
    },
    why: 'over-washing strips oil and raises sebum; long coats mat without it',
  },
  S9: {
    question: 'Ear hair',
    choices: {
      blocking: 'thin only if it blocks the canal',
      routine: 'pluck routinely, every 4 to 6 weeks',
      never: 'never, unless a vet asks',
    },
    why: 'evidence is divided; sore ears come from both extremes',
  },
  S10: {
    question: 'Plugs in the ears while bathing',
    choices: { tolerated: 'when the dog tolerates them', always: 'always', never: 'never' },
    why: 'dry canals, fewer infections',
  },
  S11: {
    question: 'Nails',
    choices: { after: 'after the bath', before: 'before the bath' },
    why: 'softer after the bath',
  },
  S12: {
    question: 'Dryer heat',
    choices: {
      lowest: 'unheated velocity, then the lowest warm that works',
      none: 'no heat at all',
      further: 'warmer, from further away',
    },
    why: 'burns come from heat, nearness and standing still',
  },
  S13: {
    question: 'Drying order',
    choices: {
      rear: 'rear to head',
      shoulders: 'behind the shoulders back, then the front',
      belly: 'belly first',
    },
    why: 'dogs accept the far end first',
  },
  S14: {
    question: 'Mixing',
    choices: { day: 'one bottle per product for the day', fresh: 'a fresh mix per wash' },
    why: 'least waste with several like coats; the other suits one-to-one work',
  },
  S15: {
    question: 'Rinsing the head',
    choices: {
      down: 'nose tipped down, water sent backwards over the skull',
      up: 'chin up, water from behind the eyes',
    },
    why: 'nothing runs into the nose',
  },
  S16: {
    question: 'Whitening',
    choices: {
      zones: 'on the zones that need it, after cleaning',
      both: 'in both washes from the start',
      blend: 'second wash, blended with a mild shampoo',
    },
    why: 'contact where it is needed, least drying',
  },
  S17: {
    question: 'Giving ear cleaner',
    choices: { bottle: 'filled from the bottle', cotton: 'soaked cotton squeezed at the opening' },
    why: 'as the label says; the second when the dog fears the bottle',
  },
  S18: {
    question: 'Small mats',
    choices: { before: 'brush before the bath', conditioner: 'in conditioner', after: 'after washing and drying' },
    why: 'small mats open before water; the others: a dirty coat brushes badly, and brushing costs joints',
  },
} as const satisfies Record<string, School>

type Ids = keyof typeof SCHOOLS
type Choice<I extends Ids> = keyof (typeof SCHOOLS)[I]['choices'] & string

function choices<I extends Ids>(id: I) {
  return z.enum(Object.keys(SCHOOLS[id].choices) as [Choice<I>, ...Choice<I>[]])
}

const shape = {
  S1: choices('S1'),
  S2: choices('S2'),
  S3: choices('S3'),
  S4: choices('S4'),
  S5: choices('S5'),
  S6: choices('S6'),
  S7: choices('S7'),
  S8: choices('S8'),
  S9: choices('S9'),
  S10: choices('S10'),
  S11: choices('S11'),
  S12: choices('S12'),
  S13: choices('S13'),
  S14: choices('S14'),
  S15: choices('S15'),
  S16: choices('S16'),
  S17: choices('S17'),
  S18: choices('S18'),
}

/** The rules that are one's own: some schools, the others as they stand elsewhere. */
export const OwnSchools = z.object(shape).partial()
export type OwnSchools = z.infer<typeof OwnSchools>

/** One choice for every school. */
export type Schools = z.infer<z.ZodObject<typeof shape>>
export type SchoolId = keyof Schools

/** The numbers of the schools, in order. */
export const SCHOOL_IDS = Object.keys(SCHOOLS) as SchoolId[]

const DEFAULTS = Object.fromEntries(SCHOOL_IDS.map((id) => [id, Object.keys(SCHOOLS[id].choices)[0]])) as Schools

/** The schools that hold for a dog: its own, else the house's, else the defaults. */
export function schoolsFor(house: OwnSchools, dog: OwnSchools = {}): Schools {
  return { ...DEFAULTS, ...house, ...dog }
}

/** The chosen school in words, as a reason names it: "school: a little above lukewarm". */
export function schoolWords<I extends SchoolId>(id: I, choice: Schools[I]): string {
  return `school: ${(SCHOOLS[id].choices as Record<string, string>)[choice]}`
}
