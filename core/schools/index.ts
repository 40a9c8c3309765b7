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
  S9: {
    question: 'Ear hair',
    choices: { blocking: 'thin only if it blocks the canal', never: 'never, unless a vet asks' },
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
  S15: {
    question: 'Rinsing the head',
    choices: {
      down: 'nose tipped down, water sent backwards over the skull',
      up: 'chin up, water from behind the eyes',
    },
    why: 'nothing runs into the nose',
  },
  S17: {
    question: 'Giving ear cleaner',
    choices: { bottle: 'filled from the bottle', cotton: 'soaked cotton squeezed at the opening' },
    why: 'as the label says; the second when the dog fears the bottle',
  },
} as const satisfies Record<string, School>

type Ids = keyof typeof SCHOOLS
type Choice<I extends Ids> = keyof (typeof SCHOOLS)[I]['choices'] & string

function choices<I extends Ids>(id: I) {
  const keys = Object.keys(SCHOOLS[id].choices) as [Choice<I>, ...Choice<I>[]]
  return z.enum(keys).default(keys[0] as never)
}

/** The house's rules: one choice per school. A missing one takes the default. */
export const Schools = z.object({
  S1: choices('S1'),
  S2: choices('S2'),
  S3: choices('S3'),
  S4: choices('S4'),
  S5: choices('S5'),
  S6: choices('S6'),
  S9: choices('S9'),
  S10: choices('S10'),
  S11: choices('S11'),
  S12: choices('S12'),
  S13: choices('S13'),
  S15: choices('S15'),
  S17: choices('S17'),
})
export type Schools = z.infer<typeof Schools>

/** The chosen school in words, as a reason names it: "school: a little above lukewarm". */
export function schoolWords<I extends Ids>(id: I, choice: Choice<I>): string {
  const words = (SCHOOLS[id].choices as Record<string, string>)[choice]
  return `school: ${words}`
}
