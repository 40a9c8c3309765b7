import type { ExtraStep, NotYet, Scene, StopReason } from '@core/tubside'
import { soapPlaceText, zonesListed } from './names'
import { capital, listed, type Say } from './say'
import type { Words } from './types'

/** What one pass of the last rinse goes over. */
export const PASS_OVER = {
  all: 'from the top down, all over',
  fingers: 'fingers through the coat, all over',
  places: 'the places that hold soap',
} as const

export const TUBSIDE: Words<'aside' | 'notYet' | 'now' | 'phrase'> = {
  'aside.notMeasured': 'no minutes were measured',
  'aside.tooShort': 'too short to learn from',
  'aside.wild': ({ times }, say) => `${say.number(times)} times the plan, far from the others`,
  'aside.longPause': 'a long pause',
  'aside.handsAway': 'hands on another dog',
  'aside.happened': ({ what }) => what,
  'aside.together': 'felt dry together with others',
  'aside.catchingUp': 'ticked through in a fraction of its plan: catching up, not measured',
  'aside.ticked': ({ ticked, of }, say) =>
    `${ticked} of ${say.count(of, 'step')} ticked through, and nobody said that they count`,
  'aside.leftOut': ({ why }) => `left out: ${why}`,
  'notYet.plugs': ({ plugs }) => {
    const names = plugs.map(({ side, set }) => `the ${side} ${set === 'water' ? 'plug' : 'noise plug'}`)
    return `${listed(names)} ${plugs.length === 1 ? 'is' : 'are'} still in`
  },
  'notYet.dry': ({ zones }) => `not felt dry yet: ${zonesListed(zones)}`,
  'now.rinsed': 'Nothing slippery: rinsed.',
  'now.rinseAgain': ({ place }) => `Rinse again: ${soapPlaceText(place)}. Then feel once more.`,
  'now.feel': 'Fingers through the coat: is it slippery anywhere?',
  'now.pass': ({ over, places }) => `${capital(PASS_OVER[over])}. Soap stays: ${listed(places.map(soapPlaceText))}.`,
  'phrase.better': ({ fear }) => `Better with ${fear} than last time`,
  'phrase.worse': ({ fear }) => `Worse with ${fear} today`,
  'phrase.skinCalmer': 'Skin calmer than last time',
  'phrase.skinRedder': 'Skin redder than last time',
  'phrase.armpits': 'Armpits stayed damp for long',
  'phrase.turnedDown': 'Turned the dryer down',
  'phrase.lowerTable': 'Dried better on a lower table',
  'phrase.undercoat': 'Undercoat still coming out',
  'phrase.smallMats': 'Small mats behind the ears',
  'phrase.crisp': 'Coat kept crisp, little lather needed',
  'phrase.stoodWell': 'Stood well',
  'phrase.neededBreak': 'Needed a break',
  'phrase.secondPair': 'Second pair of hands helped',
}

/** What is asked once before the last rinse is left. */
/** Water that is too cool at the nozzle, before the dog is left with it. */
export const coolFirst = (celsius: number, wanted: number, say: Say): string =>
  `${say.temperature(celsius)} at the nozzle, ${say.temperature(wanted)} wanted: let it run, away from the dog. Tap Done again to go on anyway.`

export const ASKED_FIRST: Record<'fingers' | 'ears', string> = {
  fingers: 'Fingers first: is the coat slippery anywhere? Say so here, or tap Done again to go on.',
  ears: 'An ear is still to do. Do it, or tap Done again to leave it.',
}

/** What is noted when the thermometer isn't believed. */
export const BY_WRIST = 'Thermometer not believed: water tested by wrist'

/** What to mind in a place, when nothing of this dog's comes first. */
export const USUAL_MINDS: Record<Scene, string> = {
  tub: 'Never leave the dog alone in the tub. Test the water away from the dog.',
  dry: 'Keep the air moving; feel for heat with the free hand. Never a heated dryer on a closed crate.',
  lift: 'A live load shifts: bend the knees, hold close, two people when it is heavy.',
  ears: 'Only as far as you can see. Smell, pain or discharge: stop, the vet.',
  table: 'Never leave the dog alone on the table or with the loop on.',
}

/** What a photograph shows. */
export const PHOTO_NAMES: Record<'before' | 'after' | 'finding' | 'other', string> = {
  before: 'Before',
  after: 'After',
  finding: 'The finding',
  other: 'Something else',
}

/** Steps that may be added on the way. */
export const EXTRA_NAMES: Record<ExtraStep['what'], string> = {
  feetAgain: 'Wash the feet again',
  rinseAgain: 'Rinse once more',
  towelMore: 'One more towel',
  cutMat: 'Cut out a mat',
  break: 'A break',
  dampAgain: 'Dry damp places again',
}

/** Why a visit may be stopped early. */
export const STOP_NAMES: Record<StopReason, string> = {
  frightened: 'Dog too frightened',
  unwell: 'Dog unwell',
  hurt: 'Hurt, or skin not fit',
  noTime: 'No time left',
}

/** What stands in the way of closing: "Not yet: the left plug is still in." */
export const notYetWords = (left: readonly NotYet[], say: Say): string =>
  `Not yet: ${left.map((l) => say.said(l)).join('; ')}.`
