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
    why: 'From the skin down, each knot is pushed into the next and pulled tight.',
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
    why: 'A dog that is held at both ends doesn’t struggle. A slip is caught.',
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
    why: 'A short nose breathes badly with water on it. A new dog fears it.',
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
  holdJaw: {
    line: 'Hold the hair under the jaw: the head stays still.',
    why: 'Held by beard or chin, a dog can’t turn into the blade or comb.',
  },
  towelShoulders: {
    line: 'A towel round the shoulders while the rear dries.',
    why: 'The front waits longest; what waits wet grows cold and curls as it dries.',
  },
  shakeOnCue: {
    line: 'Blow softly at one ear, then step back: it shakes.',
    why: 'A shake on cue saves a towel. It comes when you are ready for it.',
  },
  earLeather: {
    line: 'Ear leather between the fingers until it squeaks; canal shut.',
    why: 'Soap hides in the flap’s fringe, and an itch there is scratched sore.',
  },
  faceInWait: {
    line: 'The face now, while the shampoo stands; rinsed off first.',
    why: 'A minute or two of lather is enough for a face. None of the wait is lost.',
  },
  mitt: {
    line: 'A rubber mitt or loofah works the lather in.',
    why: 'On short hair it loosens the dead coat, and dogs like it.',
  },
  testCup: {
    line: 'Test every cupful anew on the wrist.',
    why: 'Each one comes from the tap at another heat; there is no second chance on the skin.',
  },
  lureIn: {
    line: 'Lure it up a ramp or step; don’t lift alone.',
    why: 'A dog that walks in by itself doesn’t struggle, and your back lasts.',
  },
  tieNothing: {
    line: 'Never tied to a tap or mixer: metal turns hot.',
    why: 'A loop belongs on a wall ring with a quick release. Leave a hand’s width slack.',
  },
  rubberBrush: {
    line: 'Rubber brush in small circles, then along the hair.',
    why: 'It loosens and gathers what is shed; on bones and belly only along.',
  },
  clothWithHair: {
    line: 'A cloth along the hair, head to tail.',
    why: 'There is nothing to comb; the last loose hair and damp stay in the cloth.',
  },
  sections: {
    line: 'Section by section, from the bottom up; hold the rest.',
    why: 'Each line is brushed to the skin, and no mat is left underneath.',
  },
  earFringe: {
    line: 'Ear fringe: hold the flap flat on the palm, comb outwards.',
    why: 'The flap’s edge bleeds at a nick. The skin there is thin as paper.',
  },
  letTurn: {
    line: 'Let it turn round or lie; a cushion on the table.',
    why: 'What it may choose it bears longer; old joints and long brushing both need it.',
  },
  skirtLying: {
    line: 'The skirt is dried with the dog lying on its side.',
    why: 'Gravity holds the hair flat, and belly and elbows come within reach.',
  },
  toesPointed: {
    line: 'Toes pointed down: cut level with the pad, scoop nothing out.',
    why: 'Hair between the pads guards them; a scissor’s tip there finds skin.',
  },
  ownCalm: {
    line: 'Breathe slowly, speak little, move slowly.',
    why: 'It reads your hands and breath before your words.',
  },
  combDry: {
    line: 'Comb through each time you look in: hair from hair.',
    why: 'Long hair that dries by itself crimps and knots where it lies.',
  },
  untilClear: {
    line: 'Rinse until the water runs clear, then lather.',
    why: 'Lather on mud only carries it further in.',
  },
  cupFromFeet: {
    line: 'Cup by cup from the feet up; let it feel the water.',
    why: 'Running water is the first fright of a new dog.',
  },
}

/** The first line of thinning, where the house powders the hair. */
export const POWDER_ON_HAIR = 'Powder dabbed on the hair, never puffed in.'

/** What an ear asks at each phase of its work. */
export const EAR_LINES: Record<Exclude<EarPhase['at'], 'over'>, readonly string[]> = {
  leave: ['Nothing goes in, no plucking. The vet looks first.'],
  stopped: ['Stop here: nothing goes in. The vet should look.'],
  look: [
    'Look and smell first.',
    'Normal: pale pink or greyish, little wax, no smell.',
    'Sand in it: lift it out at the opening, flush nothing.',
  ],
  thin: [
    'Powder on your fingers, never puffed in.',
    'Flap hair apart; few hairs, with a twist; nothing deeper than seen.',
    'Clamp closed until it is inside the visible part.',
    'Stop when it is open, at a flinch, or redness.',
    'Then look: no powder stays behind.',
  ],
  soften: ['A few drops of the softener, base rubbed, then it waits.', 'The other ear meanwhile.'],
  enough: ['Left there for today; noted for next time.'],
  fill: [
    'Warm it in the hand.',
    'Nails short; the canal turns a corner: liquid gets there.',
    'Never swabs, vinegar, home mixtures, human products, alcohol on sore skin.',
  ],
  massage: ['Massage the base, from below upwards.', 'Round and upwards: you hear it squelch.'],
  wipe: ['Let it shake.', 'Real cotton round a finger, only as far as you see.', 'Until the cotton comes away clean.'],
  dry: ['Now the drying one: what got wet is dried.'],
  flap: ['The flap only: warm damp cloth, then a dry one.'],
  refer: ['Still dirty after the last round: stop. The vet should look.'],
}
