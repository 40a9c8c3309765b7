import type { EarInBrief } from '@core/visit'
import { ruleChoice } from './rules'
import type { Say } from './say'
import type { Words } from './types'

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
