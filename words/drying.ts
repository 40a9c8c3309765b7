import { coatWords, SKIN_NAMES, skinWords, TECHNIQUE_NAMES, zonesListed, zonesText } from './names'
import type { Words } from './types'

export const DRYING: Words<'wet' | 'dry' | 'tender' | 'way' | 'bar' | 'damp' | 'remind'> = {
  'wet.fullyWet': 'fully wet coat',
  'wet.squeezed': 'squeezed by hand',
  'wet.shaken': 'shaken off',
  'wet.towelled': ({ count }, say) => say.count(count, 'towel'),
  'wet.wrung': ({ count }) => `chamois, wrung ${count === 1 ? 'once' : `${count} times`}`,
  'dry.evaporate': ({ dryer }) => `${dryer}: the water that is left, evaporated`,
  'dry.blown': ({ dryer }) => `${dryer}: water driven out first`,
  'dry.brushFloor': ({ coat }) => `a ${coatWords(coat)} can’t be brushed dry faster`,
  'dry.movingOn': ({ zones }, say) => `moving on, ${say.count(zones, 'zone')}`,
  'dry.soreZones': ({ zones }) =>
    `no warm or fast air on ${zones.length > 4 ? zonesText(zones) : zonesListed(zones)}: sore`,
  'dry.noGentleSetting': ({ metres }, say) =>
    `no setting is gentle enough everywhere within ${say.distance(metres)}: there the heat is off`,
  'dry.tender': ({ why, limit }, say) => `${say.said(why)}: air at the coat no warmer than ${say.temperature(limit)}`,
  'dry.lowForce': 'fast air turned down: this skin bears no more',
  'dry.noWarmAir': ({ zones, limit }, say) =>
    `no warm air in this room on ${zones.length > 4 ? zonesText(zones) : zonesListed(zones)}: it is ${say.temperature(limit)} or more already`,
  'dry.room': ({ celsius, humidity }, say) => `room ${say.temperature(celsius)}, ${say.number(humidity, 0)} % humid`,
  'dry.byFan': ({ fan, grams, rate }, say) => `${fan}: ${say.number(grams, 0)} g at ${say.number(rate)} g a minute`,
  'dry.byWarmth': ({ grams, rate }, say) =>
    `its own warmth: ${say.number(grams, 0)} g at ${say.number(rate)} g a minute`,
  'dry.bodyHelps': ({ rate }, say) => `${say.number(rate)} g a minute of it by the dog’s own warmth`,
  'dry.crating': 'into the crate and out, looked in on',
  'dry.wontDry': ({ by, hours }, say) =>
    `will not dry by ${by === 'fan' ? 'fan' : 'itself'} in this room: stop after ${say.number(hours)} h`,
  'dry.thenBrush': 'then the warm brush',
  'dry.shortBrush': ({ dryer }) => `${dryer} and a soft brush, as long as a puppy bears it`,
  'dry.thenWarmth': ({ grams, rate }, say) =>
    `then wrapped up: ${say.number(grams, 0)} g at ${say.number(rate)} g a minute by its own warmth`,
  'dry.brushAfter': ({ dryer }) => `${dryer} and brush`,
  'tender.puppy': 'puppy',
  'tender.senior': 'old dog',
  'tender.shortNose': 'short nose',
  'tender.hairless': 'hairless',
  'tender.thinSkin': 'thin skin',
  'tender.skin': ({ skin }) => skinWords(skin),
  'way.velocityBrush': 'fast air drives the water out first, then brush and warm air: the quickest this dog bears',
  'way.velocity': 'fast air, finished at low force: the quickest this dog bears',
  'way.warm': 'warm air and brush: the quickest this dog bears',
  'way.fan': ({ coat }) =>
    coat === 'corded'
      ? 'cords dry slowly in moving air'
      : 'unheated, in front of the crate: the quickest this dog bears',
  'way.fanBrush': 'the bearable way: fan first, then a short warm brush so that the coat does not mat',
  'way.brushAir': 'a short warm brush, then wrapped up on its own warmth: more is too much for a puppy',
  'way.air': 'towels, then its own warmth in a warm room, brushed through at intervals',
  'way.yours': 'your own choice for today',
  'way.leastBad': ({ against }, say) => `nothing better can be borne; against it: ${say.said(against)}`,
  'bar.missing': ({ technique }) => `the house has no dryer for “${TECHNIQUE_NAMES[technique]}”`,
  'bar.puppy': 'too loud and strong for a puppy',
  'bar.longForPuppy': ({ minutes }) => `more than ${minutes} min of dryer is too much for a puppy`,
  'bar.dryerShy': 'this dog can’t bear the dryer',
  'bar.sore': ({ skin }) => `fast air on ${SKIN_NAMES[skin]} skin`,
  'bar.thinSkin': 'fast air can injure thin skin',
  'bar.knots': 'whips long hair into knots',
  'bar.cords': 'cords dry from inside, slowly',
  'bar.crateTooSmall': 'does not fit the crate',
  'bar.crateShy': 'this dog can’t bear the crate',
  'bar.crimps': 'a curly coat left to itself stays crimped',
  'bar.mats': 'this coat mats when it dries by itself',
  'bar.puppyDamp': 'a puppy is not left damp for so long',
  'bar.roomTooWarm': ({ limit }, say) =>
    `the room is at ${say.temperature(limit)} or more: no distance is gentle enough`,
  'bar.staysDamp': ({ minutes }, say) => `still damp after ${say.minutes(minutes)}`,
  'bar.slower': ({ minutes }, say) => (minutes < 0.5 ? 'no quicker' : `${say.minutes(minutes)} longer`),
  'bar.juvantChose': ({ why }, say) => `Juvant’s choice: ${say.said(why)}`,
  'damp.cloth': 'by cloth; the last of it dries by itself',
  'damp.sore': 'pressed with a cloth, then cool air; the last of it dries by itself',
  'damp.you': 'as you want it',
  'damp.topknot': 'the topknot, tied slightly damp',
  'remind.changeHands': ({ every, breakAt }, say) =>
    `Change hands every ${every} min; a break for both of you at ${say.number(breakAt, 0)} min.`,
  'remind.freeHand': 'The free hand holds the coat, and feels damp and heat. Keep the air moving.',
  'remind.fastAir': 'Fast air: ear protection on you, hood or band over the dog’s ears.',
  'remind.shy': 'Start at the rear on the lowest setting, lick mat in front, stop before panic.',
  'remind.helper': 'A helper can towel the next dog, comb behind the air, or hold the head.',
  'remind.towelWrap': 'Warm room, no draught, a dry towel under it; look in often and feel for damp.',
}
