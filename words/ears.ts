import type { EarInBrief } from '@core/visit'
import type { SoreEar } from '@core/ears'
import { SKIN_NAMES } from './names'
import { ruleChoice } from './rules'
import type { Say } from './say'
import type { Words } from './types'

/** Where something stings. */
const soreEar = (why: SoreEar): string =>
  why === 'cleared'
    ? 'in an ear that a vet had to clear'
    : why === 'thinned'
      ? 'where hair is thinned today'
      : `on ${SKIN_NAMES[why]} skin`

export const EARS: Words<'ears' | 'ear' | 'plugs'> = {
  'ears.size': ({ from, to }, say) =>
    to === null
      ? `a dog of ${say.weight(from)} and more`
      : from === 0
        ? `a dog under ${say.weight(to)}`
        : `a dog of ${say.weight(from)} to ${say.weight(to)}`,
  'ears.label': ({ product }) => `${product}: label`,
  'ears.lookAndSmell': 'look and smell',
  'ears.rounds': ({ rounds }, say) => `${say.count(rounds, 'round')} of cleaner`,
  'ears.hairsThinned': 'a few hairs thinned',
  'ears.left': 'left ear',
  'ears.right': 'right ear',
  'ear.signs': ({ signs }, say) => `${say.list(signs)}: the eardrum may not be whole`,
  'ear.vetFirst': 'no cleaner, no plucking, the vet looks first',
  'ear.cleared': ({ signs }, say) => `${say.list(signs)}, cleared by a vet`,
  'ear.hairBlocks': 'hair blocks the canal: thin it first',
  'ear.hairLeft': 'hair left alone',
  'ear.wax': ({ wax }) => `wax ${wax} of 3`,
  'ear.afterThinning': 'clean after thinning',
  'ear.damp': 'damp inside',
  'ear.dropHolds': 'drop ears hold the damp',
  'ear.giving': ({ giving }) => `${ruleChoice('earCleaner', giving)}, base massaged 20 to 30 s, let the dog shake`,
  'ear.until': ({ rounds }, say) =>
    `until the cotton comes away clean; still dirty after ${say.count(rounds, 'round')}: stop and refer`,
  'ears.softened': ({ minutes }) => `wax softened for ${minutes} min, the other ear meanwhile`,
  'ear.thinnedLately': ({ date, weeks }, say) =>
    `thinned ${say.count(weeks, 'week')} ago (${say.date(date, 'short')}): not today`,
  'ear.stings': ({ product, by, why }) => `${product} has ${by} in it, which stings ${soreEar(why)}`,
  'ear.forbidden': ({ product, why }, say) => `${product}: ${say.said(why)}`,
  'ear.waxStays': 'no other in the house: the wax stays, tell the owner',
  'ear.soften': ({ product, minutes }) => `much wax: ${product} first, ${minutes} min`,
  'ear.dampNoWax': 'damp inside, no wax',
  'ear.noProduct': 'no ear product on the shelf: warm damp cloth, then a dry one',
  'ear.cleanAndDry': 'clean and dry: cleaning would irritate',
  'plugs.shakesOut': 'this dog shakes plugs out',
  'plugs.fewSteps': 'a puppy: few steps',
  'plugs.byCloth': 'no water goes on the head',
  'plugs.vetFirst': 'none in an ear that a vet should see',
  'plugs.you': 'you left them out',
  'plugs.dry': 'dry canals, fewer infections',
}

/** What happens to one ear, in a few words. */
export function earWords({ action, product, mL, rounds, thin, thenDry }: EarInBrief, say: Say): string {
  if (action === 'stop') return 'leave it, vet first'
  const first = thin ? 'thin the hair, then ' : ''
  if (action === 'wipe') return `${first}wipe the flap`
  const times = rounds === 1 ? 'once' : `${rounds} rounds`
  return `${first}${product ?? 'cleaner'} ${say.volume(mL, 1)}, ${times}${thenDry ? ', then dry it' : ''}`
}
