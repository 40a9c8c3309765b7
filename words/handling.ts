import type { Fear } from '@core/dog'
import type { HandlingPlan, Stressor } from '@core/handling'
import type { RinseTool } from '@core/rinse'
import type { Words } from './types'

const FEARS: Record<Fear, string> = {
  water: 'Let the dog hear the water before it feels any; start at the feet, nothing sprayed through the air.',
  face: 'Face by cloth, last, from the side.',
  feet: 'Hold the leg above the foot; one foot, a pause, the next.',
  tail: 'Tell the dog before you lift the tail: a hand along the back first.',
  ears: 'Cotton instead of the bottle; touch the flap, treat, then the canal.',
  brush: 'Hold the hair above the tangle; short strokes.',
  dryer: 'Dryer running far off while the towel works; from the rear, lowest setting, hood over the ears.',
  crate: 'No crate: rest on the table’s mat or with the owner.',
  strangers: 'Sit sideways, let the dog come; no leaning over.',
}

export const HANDLING: Words<'handle'> = {
  'handle.fear': ({ fear }) => FEARS[fear],
  'handle.rescue': 'New rescue: short and pleasant, tethered by a slip-free loop, face by cloth; nothing new twice.',
  'handle.firstBath': 'First bath: the room first, then the empty tub, then water. Stop while it still goes well.',
  'handle.handFirst': 'Water by hand first, then cup by cup from the back; it may drink from the cup.',
  'handle.twoPeople': ({ helper }) =>
    helper
      ? 'One holds and feeds, one washes; a lick treat at nose height.'
      : 'Ask for a second person, or a lick treat at nose height: one hand is for the dog.',
  'handle.senior': 'Senior: mat under the feet, sit or lie where it can, hips supported.',
  'handle.noMuzzle': 'No muzzle without the owner’s consent; local law decides the rest.',
}

/** With what a dog is wetted and rinsed. */
export const RINSE_TOOLS: Record<RinseTool['kind'], string> = {
  cup: 'cup and bucket',
  low: 'shower head held close to the body',
  shower: 'shower',
}
/** How strong the water is. */
export const pressureWords = (gentle: boolean): string =>
  gentle ? 'low, no spray at the head' : 'usual, low at the head'
export const MUZZLE_WORDS =
  'With the owner’s consent and as the law allows: soft muzzle, off for panting, never in the dryer.'
export const BREAK_WORDS: Record<HandlingPlan['breaks'], string> = {
  everyTenMinutes: 'Every 10 min, a treat and a breath.',
  atChanges: 'When changing place.',
}
export const NEVER_DROPPED = 'Never dropped: the last rinse, and dry at the skin before going home.'

/** The ladder of each thing a dog may fear: its five rungs, what is left out first, and homework for the owner. Common practice, no source. */
export const LADDERS: Record<
  Stressor,
  { rungs: readonly [string, string, string, string, string]; drop: string; homework: string }
> = {
  'running water': {
    rungs: [
      'cup and bucket, body only',
      'a thin stream held to the body',
      'shower on body and legs, head by cloth',
      'shower everywhere, head last',
      'no special care',
    ],
    drop: 'the second shampoo',
    homework: 'Stand in the dry tub for a treat, then with a finger of water.',
  },
  face: {
    rungs: [
      'look only',
      'a damp cloth, one side',
      'a damp cloth all over',
      'cup with the hand shielding the eyes',
      'no special care',
    ],
    drop: 'washing the head',
    homework: 'Hold the chin for a count of three, treat; a damp cloth on the cheek.',
  },
  feet: {
    rungs: [
      'rinsed, not handled',
      'each foot held for a moment',
      'between the toes, no nails',
      'two feet of nails',
      'no special care',
    ],
    drop: 'nails',
    homework: 'Touch a foot, treat, let go; a day later hold it for longer.',
  },
  tail: {
    rungs: ['rinsed only', 'wiped under', 'washed, not combed', 'combed in short turns', 'no special care'],
    drop: 'combing the tail',
    homework: 'Stroke along the back to the tail root, treat.',
  },
  ears: {
    rungs: ['look only', 'flap wiped', 'cotton at the opening', 'one round a side', 'no special care'],
    drop: 'the ear rounds',
    homework: 'Lift a flap, treat; a dry cotton at the opening.',
  },
  brush: {
    rungs: [
      'the hand only',
      'soft brush on the back',
      'body, not legs and belly',
      'all over in short turns',
      'no special care',
    ],
    drop: 'the full comb-through',
    homework: 'Three strokes of a soft brush a day, treat after each.',
  },
  'dryer noise': {
    rungs: [
      'towels and warm room only',
      'dryer running at the far wall',
      'lowest setting, hood on',
      'usual setting, hood on, breaks',
      'no special care',
    ],
    drop: 'the velocity dryer',
    homework: 'A hair dryer running in the next room at meal times.',
  },
  'air on the body': {
    rungs: ['towels only', 'air on the rump from 1 m', 'rear half, lowest', 'body, not shoulders', 'no special care'],
    drop: 'drying in front of the shoulders by air',
    homework: 'Cool air on the rump for a count of three, treat.',
  },
  'air near the head': {
    rungs: [
      'cloth only',
      'cloth, air behind the ears',
      'cool air from 60 cm',
      'cool air, hand shielding',
      'no special care',
    ],
    drop: 'air in front of the ears',
    homework: 'Towel over the head and off again, treat.',
  },
  'the crate alone': {
    rungs: [
      'no crate: held or on a mat',
      'door open, you beside it',
      'door shut for a minute, in sight',
      'in sight for the rest',
      'no special care',
    ],
    drop: 'the rest in the crate',
    homework: 'Meals in the open crate at home.',
  },
}
