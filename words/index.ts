import type { Notice, NoticeCode } from '@core/caution'
import type { Code, Codes, Said } from '@core/said'
import { METRIC, type Units } from '@core/units'
import type { FoundCode } from '@core/washday'
import { BATH } from './bath'
import { COURSE } from './course'
import { DRYING } from './drying'
import { EARS } from './ears'
import { HANDLING } from './handling'
import { HANDS } from './hands'
import { LOG } from './log'
import { LOGBOOK } from './logbook'
import { MIXING } from './mixing'
import { MONEY } from './money'
import { NOTICES, noticeTitle } from './notices'
import { RANGES } from './ranges'
import { RINSING } from './rinsing'
import { RULES_SAY } from './rules'
import { speaker, type Say } from './say'
import { STOCK_WORDS } from './stock'
import type { Phrase } from './types'
import { TUBSIDE } from './tubside'
import { STEPS, VISIT } from './visit'
import { foundTitle, WASHDAY } from './washday'

/** The words of every statement but notices and findings of a day, which have sentences of their own. A code without words doesn't compile. */
const WORDS: { [C in Exclude<Code, NoticeCode | FoundCode>]: Phrase<C> } = {
  ...BATH,
  ...COURSE,
  ...DRYING,
  ...EARS,
  ...HANDLING,
  ...HANDS,
  ...LOG,
  ...LOGBOOK,
  ...MIXING,
  ...MONEY,
  ...RANGES,
  ...RINSING,
  ...RULES_SAY,
  ...STEPS,
  ...STOCK_WORDS,
  ...TUBSIDE,
  ...VISIT,
  ...WASHDAY,
}

function sentence(statement: Said, say: Say): string {
  if (statement.code in NOTICES) return noticeTitle(statement as Notice, say)
  if (statement.code.startsWith('found.')) return foundTitle(statement as Said<FoundCode>, say)
  const words = WORDS[statement.code as keyof typeof WORDS] as
    string | ((facts: Codes[Code], say: Say) => string) | undefined
  if (words === undefined) return statement.code
  return typeof words === 'string' ? words : words(statement.facts, say)
}

/** How a house says things, in its units and by its clock. */
export const sayIn = (units: Units): Say => speaker(units, sentence)

/** In kilograms and litres, by the clock of 24 hours. */
export const METRIC_SAY: Say = sayIn(METRIC)

export * from './amounts'
export * from './atTheTub'
export * from './bath'
export * from './card'
export { choiceWords, CLIP_TOOL_NAMES, CUT_WITH, cutWords, PASS_NAMES, SERVICE_NAMES, STYLING_NAMES } from './course'
export * from './clients'
export * from './dog'
export { MOVEMENT_NAMES, productAmount } from './stock'
export * from './help'
export * from './howTo'
export * from './drying'
export * from './ears'
export * from './handling'
export * from './hands'
export * from './happenings'
export * from './inBrief'
export * from './log'
export * from './logbook'
export * from './mixing'
export {
  booksInLine,
  cameWords,
  entryWords,
  feeWords,
  standsWords,
  whatIfWords,
  placeWords,
  tillWords,
  lateWords,
  listedWords,
  priceInsteadWords,
  receiptLine,
  owedWords,
  paidAs,
  priceChange,
  priceMessage,
  PRICE_SIZE_NAMES,
  rangeWords,
  sizeBands,
  wantedWords,
} from './money'
export * from './names'
export * from './notices'
export * from './rinsing'
export * from './rules'
export { capital, ordinal, type Say } from './say'
export * from './tubside'
export * from './visit'
export * from './whereabouts'
export * from './washday'
