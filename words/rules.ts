import type { RuleChoice, RuleId } from '@core/rules'
import type { Words } from './types'

interface RuleText<R extends RuleId> {
  question: string
  choices: Record<RuleChoice<R>, string>
  why: string
}

/** Every house rule: what it asks, its choices in words, and why the first is the usual one. */
export const RULE_WORDS: { [R in RuleId]: RuleText<R> } = {
  coatPreparation: {
    question: 'Coat preparation',
    choices: {
      blow: 'blow out if shedding, else brush',
      brush: 'brush out always',
      straight: 'straight to the tub, the dryer does it',
    },
    why: 'water tightens mats, and loose coat keeps product off the skin',
  },
  waterWarmth: {
    question: 'Water feel',
    choices: { warm: 'a little above lukewarm', neutral: 'skin-neutral, hardly felt' },
    why: 'comfort, and oils move; itchy or hot dogs go cooler anyway',
  },
  washingOrder: {
    question: 'Washing order',
    choices: {
      under: 'underside and legs, body, head last',
      neck: 'neck to tail, head last',
      face: 'face first',
    },
    why: 'the longest contact where the dirt is; the head wet late, so less shaking',
  },
  washCount: {
    question: 'Number of shampoos',
    choices: { two: 'two: clean, then treat', one: 'one, fully rinsed', three: 'three when degreased' },
    why: 'the first lifts dirt, the second works on clean skin',
  },
  conditioner: {
    question: 'Conditioner',
    choices: { coat: 'by coat', always: 'always', never: 'never unless asked' },
    why: 'show texture and smooth coats lose by softening',
  },
  earsWhen: {
    question: 'Ears in the visit',
    choices: { before: 'before the bath', between: 'between towel and dryer', after: 'after drying' },
    why: 'what comes out is washed off',
  },
  headDrying: {
    question: 'Drying the head',
    choices: {
      towel: 'towel the face well, cool low air last',
      last: 'keep the head damp and dry it last with the brush',
      cloth: 'cloth and fan only',
    },
    why: 'least dryer on the part dogs hate most',
  },
  interval: {
    question: 'Interval',
    choices: {
      coat: 'by coat and skin',
      seldom: 'as seldom as possible',
      fortnight: 'every 2 weeks',
      monthly: 'every 4 to 6 weeks',
    },
    why: 'over-washing strips oil and raises sebum; long coats mat without it',
  },
  earHair: {
    question: 'Ear hair',
    choices: {
      blocking: 'thin only if it blocks the canal',
      routine: 'pluck routinely, every 4 to 6 weeks',
      never: 'never, unless a vet asks',
    },
    why: 'evidence is divided; sore ears come from both extremes',
  },
  earPlugs: {
    question: 'Plugs in the ears while bathing',
    choices: { tolerated: 'when the dog tolerates them', always: 'always', never: 'never' },
    why: 'dry canals, fewer infections',
  },
  nails: {
    question: 'Nails',
    choices: { after: 'after the bath', before: 'before the bath' },
    why: 'softer after the bath',
  },
  dryerHeat: {
    question: 'Dryer heat',
    choices: {
      lowest: 'unheated velocity, then the lowest warm that works',
      none: 'no heat at all',
      further: 'warmer, from further away',
    },
    why: 'burns come from heat, nearness and standing still',
  },
  dryingOrder: {
    question: 'Drying order',
    choices: {
      rear: 'rear to head',
      shoulders: 'behind the shoulders back, then the front',
      belly: 'belly first',
    },
    why: 'dogs accept the far end first',
  },
  mixing: {
    question: 'Mixing',
    choices: { day: 'one bottle per product for the day', fresh: 'a fresh mix per wash' },
    why: 'least waste with several like coats; the other suits one-to-one work',
  },
  headRinse: {
    question: 'Rinsing the head',
    choices: {
      down: 'nose tipped down, water sent backwards over the skull',
      up: 'chin up, water from behind the eyes',
    },
    why: 'nothing runs into the nose',
  },
  whitening: {
    question: 'Whitening',
    choices: {
      zones: 'on the zones that need it, after cleaning',
      both: 'in both washes from the start',
      blend: 'second wash, blended with a mild shampoo',
    },
    why: 'contact where it is needed, least drying',
  },
  earCleaner: {
    question: 'Giving ear cleaner',
    choices: { bottle: 'filled from the bottle', cotton: 'soaked cotton squeezed at the opening' },
    why: 'as the label says; the second when the dog fears the bottle',
  },
  smallMats: {
    question: 'Small mats',
    choices: { before: 'brush before the bath', conditioner: 'in conditioner', after: 'after washing and drying' },
    why: 'dry hair lets go more easily than wet; whoever waits spares the wrist and a dirty coat',
  },
  teeth: {
    question: 'Teeth',
    choices: { no: 'left to owner and vet', yes: 'brushed on each visit' },
    why: 'a brush once in weeks does little; some owners ask for it',
  },
  glands: {
    question: 'Anal glands',
    choices: { no: 'left to the vet', yes: 'outside only, where local rules allow it' },
    why: 'healthy ones empty themselves; in some places only vets may',
  },
  earRounds: {
    question: 'Rounds with ear cleaner',
    choices: { three: 'up to three, then refer', two: 'up to two, then refer', one: 'one, then refer' },
    why: 'what three rounds leave sits where only a vet should reach',
  },
  earPowder: {
    question: 'Ear powder',
    choices: { fingers: 'on the fingers', hair: 'on the hair, dabbed' },
    why: 'grip without dust in the canal',
  },
  nailsEvery: {
    question: 'Nails again',
    choices: { threeWeeks: 'after three weeks', visit: 'at every visit', sixWeeks: 'after six weeks' },
    why: 'cut too often there is nothing to cut but the quick',
  },
  headWet: {
    question: 'The head gets wet',
    choices: { late: 'last, right before its lather', early: 'with the body' },
    why: 'a dog shakes from the moment its head is wet',
  },
  rinseOrder: {
    question: 'Rinsing order',
    choices: { headFirst: 'head first', headLast: 'head last' },
    why: 'soap leaves the eyes at once; head last, it shakes less',
  },
  finishing: {
    question: 'What stays on the coat',
    choices: { coat: 'as the coat asks: detangler, oil on ends', scent: 'that, and scent at the end', no: 'nothing' },
    why: 'what stays on is licked and breathed; less is better',
  },
  dryerTurns: {
    question: 'Fast air and brush',
    choices: { whole: 'the whole dog by fast air, then the brush', zone: 'zone by zone, the rest under a damp towel' },
    why: 'one change of dryer; zone by zone suits coats that curl as they dry',
  },
}

/** A rule as it is set, in words. */
export const ruleChoice = (rule: RuleId, choice: string): string =>
  (RULE_WORDS[rule].choices as Record<string, string>)[choice]!

export const RULES_SAY: Words<'rule'> = {
  'rule.says': ({ rule, choice }) => `house rule: ${ruleChoice(rule, choice)}`,
}
