import { z } from 'zod'

/** The house rules on which good groomers differ, each with its choices; the first choice is the default. */
export const RULES = {
  coatPreparation: ['blow', 'brush', 'straight'],
  waterWarmth: ['warm', 'neutral'],
  washingOrder: ['under', 'neck', 'face'],
  washCount: ['two', 'one', 'three'],
  conditioner: ['coat', 'always', 'never'],
  earsWhen: ['before', 'between', 'after'],
  headDrying: ['towel', 'last', 'cloth'],
  interval: ['coat', 'seldom', 'fortnight', 'monthly'],
  earHair: ['blocking', 'routine', 'never'],
  earPlugs: ['tolerated', 'always', 'never'],
  nails: ['after', 'before'],
  dryerHeat: ['lowest', 'none', 'further'],
  dryingOrder: ['rear', 'shoulders', 'belly'],
  mixing: ['day', 'fresh'],
  headRinse: ['down', 'up'],
  whitening: ['zones', 'both', 'blend'],
  earCleaner: ['bottle', 'cotton'],
  smallMats: ['before', 'conditioner', 'after'],
  teeth: ['no', 'yes'],
  glands: ['no', 'yes'],
  earRounds: ['three', 'two', 'one'],
  earPowder: ['fingers', 'hair'],
  nailsEvery: ['threeWeeks', 'visit', 'sixWeeks'],
  headWet: ['late', 'early'],
  rinseOrder: ['headFirst', 'headLast'],
  dryerTurns: ['whole', 'zone'],
  finishing: ['coat', 'scent', 'no'],
} as const

export type RuleId = keyof typeof RULES
/** What a rule can be set to. */
export type RuleChoice<R extends RuleId> = (typeof RULES)[R][number]

/** The names of the rules, in order. */
export const RULE_IDS = Object.keys(RULES) as RuleId[]

const choices = <R extends RuleId>(id: R) => z.enum(RULES[id] as unknown as [RuleChoice<R>, ...RuleChoice<R>[]])

const shape = {
  coatPreparation: choices('coatPreparation'),
  waterWarmth: choices('waterWarmth'),
  washingOrder: choices('washingOrder'),
  washCount: choices('washCount'),
  conditioner: choices('conditioner'),
  earsWhen: choices('earsWhen'),
  headDrying: choices('headDrying'),
  interval: choices('interval'),
  earHair: choices('earHair'),
  earPlugs: choices('earPlugs'),
  nails: choices('nails'),
  dryerHeat: choices('dryerHeat'),
  dryingOrder: choices('dryingOrder'),
  mixing: choices('mixing'),
  headRinse: choices('headRinse'),
  whitening: choices('whitening'),
  earCleaner: choices('earCleaner'),
  smallMats: choices('smallMats'),
  teeth: choices('teeth'),
  glands: choices('glands'),
  earRounds: choices('earRounds'),
  earPowder: choices('earPowder'),
  nailsEvery: choices('nailsEvery'),
  headWet: choices('headWet'),
  rinseOrder: choices('rinseOrder'),
  dryerTurns: choices('dryerTurns'),
  finishing: choices('finishing'),
}

/** The rules that are one's own; the others stand as they do elsewhere. */
export const OwnRules = z.object(shape).partial()
export type OwnRules = z.infer<typeof OwnRules>
/** One choice for every rule. */
export type Rules = z.infer<z.ZodObject<typeof shape>>

const DEFAULTS = Object.fromEntries(RULE_IDS.map((id) => [id, RULES[id][0]])) as Rules

/** The rules that hold for a dog: its own, else the house's, else the defaults. */
export function rulesFor(house: OwnRules, dog: OwnRules = {}): Rules {
  return { ...DEFAULTS, ...house, ...dog }
}

/** The rules by the numbers they were stored under at first. */
export const NUMBERED_RULES: Readonly<Record<string, RuleId>> = Object.fromEntries(
  RULE_IDS.map((id, i) => [`S${i + 1}`, id]),
)

declare module '../said' {
  interface Codes {
    /** A house rule that decided something, as it is set. */
    'rule.says': { [R in RuleId]: { rule: R; choice: RuleChoice<R> } }[RuleId]
  }
}
