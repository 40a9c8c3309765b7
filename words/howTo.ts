import type { EarPhase, HowTo } from '@core/tubside'

/** What the hands do, read at two metres; and the reason, for whoever asks. Common practice, no source. */
export interface HowToWords {
  line: string
  why: string
}

export const HOW_TO: Record<HowTo, HowToWords> = {
  handsOverAll: {
    line: 'Both hands over the whole dog, nose to tail.',
    why: 'The plan came from the record; the hands say what is so today.',
  },
  eyeCrusts: {
    line: 'Eye crusts: wet cotton on them now, wiped later.',
    why: 'Hard crusts need minutes to soften. Picked off dry they take skin along.',
  },
  fromTheEnds: {
    line: 'Comb from the ends up to the skin.',
    why: 'From the skin down, every knot is pushed into the next one and pulled tight.',
  },
  stretchSkin: {
    line: 'The other hand stretches the skin flat.',
    why: 'A fold of skin lies in the comb’s or blade’s way; thin skin tears.',
  },
  holdMatRoot: {
    line: 'Hold the hair at its root, below the mat.',
    why: 'The pull ends in your fingers, not in the skin.',
  },
  changeHands: {
    line: 'Change hands now and then.',
    why: 'Wrist and shoulder last a whole day only when they take turns.',
  },
  nozzleAtSkin: {
    line: 'Nozzle close to the skin, always moving.',
    why: 'The air lifts the loose undercoat out; standing still it warms one place and whips the hair.',
  },
  underChest: {
    line: 'One hand under the chest, one behind the thighs.',
    why: 'A dog that is held at both ends doesn’t struggle, and a slip is caught.',
  },
  legsForeAndBack: {
    line: 'Legs forward and back only, never out to the side.',
    why: 'Shoulders and hips don’t turn outwards; an old dog’s joints hurt at once.',
  },
  liftCoat: {
    line: 'Lift the coat; the shower head goes into it.',
    why: 'A dense coat looks wet long before the skin is.',
  },
  pourIntoCoat: {
    line: 'Lift the coat; pour into it, at the skin.',
    why: 'A dense coat looks wet long before the skin is.',
  },
  earsShut: {
    line: 'Erect ears: one hand holds them shut from behind.',
    why: 'Water over the skull runs straight into an open ear.',
  },
  muzzleShut: {
    line: 'Muzzle held shut gently; no water up the nose.',
    why: 'Water in the nose or throat frightens for many baths to come.',
  },
  shieldEyes: {
    line: 'The flat hand shields the eyes.',
    why: 'Soap and a hard jet both hurt the eye.',
  },
  noseDown: {
    line: 'Nose tipped down; water backwards over the skull.',
    why: 'Nothing runs into the nose. Your house rule; the other is chin up.',
  },
  chinUp: {
    line: 'Chin up; water from behind the eyes.',
    why: 'Nothing runs into the eyes. Your house rule; the other is nose down.',
  },
  clothFace: {
    line: 'Face by damp cloth, from the side, nose free.',
    why: 'A short nose breathes badly with water on it, and a new dog fears it.',
  },
  foldsDried: {
    line: 'Each fold: wiped out, then dried.',
    why: 'What stays wet or soapy in a fold is sore by the evening.',
  },
  fingertips: {
    line: 'Fingertips to the skin, not nails.',
    why: 'The lather has to reach the skin; nails scratch it.',
  },
  strokeAlong: {
    line: 'Stroke along the hair; no circles.',
    why: 'Circles knot long hair.',
  },
  betweenToes: {
    line: 'Between the toes, top and bottom.',
    why: 'The dirtiest place, and where soap and damp stay.',
  },
  earTips: {
    line: 'Ear tips and behind the ears: greasy, do them well.',
    why: 'Grease and soap both hide there; nothing into the canal.',
  },
  underTail: {
    line: 'Lift the tail: its root and under it.',
    why: 'Soap and damp stay there, and the dog licks it.',
  },
  foamDown: {
    line: 'Pull the foam down to the legs before adding more.',
    why: 'The foam that is there still washes; more of it only has to be rinsed out.',
  },
  neckRing: {
    line: 'Fleas: a ring of lather round the neck first.',
    why: 'Fleas run to the face from the water; the ring stops them. Then backwards from it.',
  },
  rinseFromRing: {
    line: 'Fleas: rinse from the neck ring backwards.',
    why: 'They are washed off at the tail, not up to the face.',
  },
  eyeCorners: {
    line: 'Eye corners: loosen with the nail, away from the eye.',
    why: 'The crusts are soft by now. Soap in the eye: wipe at once, rinse from above.',
  },
  soapHides: {
    line: 'Armpits, groin, under the chest: soap stays there.',
    why: 'Residue itches, dulls the coat and draws dirt: the commonest fault of all.',
  },
  awayFromEyes: {
    line: 'Little near the eyes, none in them.',
    why: 'Conditioner is hard to rinse from an eye.',
  },
  topDown: {
    line: 'Squeeze from the top down, leg by leg.',
    why: 'Every handful of water is dryer time saved.',
  },
  plugGently: {
    line: 'Loose cotton at the opening; never pushed down.',
    why: 'It must come out again whole. Counted in, counted out.',
  },
  holdToe: {
    line: 'Hold the toe, not the foot; a little at a time.',
    why: 'The dog pulls against a squeezed foot. In the quick it bleeds: stop before.',
  },
  coverEye: {
    line: 'The free hand between the air and the eye.',
    why: 'Heat off and nozzle off at the head; never into eyes or nose.',
  },
  flapShut: {
    line: 'Hold the flap over the ear; never air into it.',
    why: 'Fast air in the canal hurts, and drives water deeper.',
  },
  partHair: {
    line: 'Part the hair; feel the skin: damp, hot, sore?',
    why: 'Damp next to the skin mats, smells and inflames. And it is the second look at the skin.',
  },
  tubAfterFleas: {
    line: 'After fleas: disinfect the tub, hot wash the towels.',
    why: 'Fleas and their eggs wait for the next dog.',
  },
  treatNow: {
    line: 'A treat when it stands quietly.',
    why: 'What it learns today it brings along next time.',
  },
  stopPoint: {
    line: 'A stopping point: enough for today is enough.',
    why: 'Rinsed and towelled it can go home from here. A short good visit beats a whole bad one.',
  },
  cupFromFeet: {
    line: 'Cup by cup from the feet up; let it feel the water.',
    why: 'Running water is the first fright of a new dog.',
  },
}

/** What an ear asks at each phase of its work. */
export const EAR_LINES: Record<Exclude<EarPhase['at'], 'over'>, readonly string[]> = {
  leave: ['Nothing goes in, no plucking. The vet looks first.'],
  stopped: ['Stop here: nothing goes in. The vet should look.'],
  look: ['Look and smell first.', 'Normal: pale pink or greyish, little wax, no smell.'],
  thin: [
    'Powder on your fingers, never puffed in.',
    'A few hairs at a time, slowly, only those you see.',
    'Clamp closed until it is inside the visible part.',
    'Stop when it is open, at a flinch, or redness.',
    'Then look: no powder stays behind.',
  ],
  fill: ['Warm it in the hand.', 'Never swabs, vinegar, home mixtures, human products, alcohol on sore skin.'],
  massage: ['Massage the base, from below upwards.'],
  wipe: ['Let it shake.', 'Cotton only as far as you see.', 'Until the cotton comes away clean.'],
  dry: ['Now the drying one: what got wet is dried.'],
  flap: ['The flap only: warm damp cloth, then a dry one.'],
  refer: ['Still dirty after three rounds: stop. The vet should look.'],
}
