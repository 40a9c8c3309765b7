import type { Notice, NoticeCode } from '@core/caution'
import type { Codes } from '@core/said'
import { scaldLine } from '@core/water'
import { scaldWords } from './bath'
import { LIFT_ADVICE } from './hands'
import { SKIN_NAMES, skinWords, stepTitle, TECHNIQUE_NAMES, ZONE_NAMES, zonesListed } from './names'
import { capital, type Say } from './say'
import type { NoticePhrases } from './types'

const VET_NOW = 'call a vet now. No bath.'
const CONTAGIOUS = 'No bath. Gloves off and hands washed; a vet first. Clean everything the dog touched.'
const HEALTH_NEXT = {
  collapse: 'Call a vet now. No bath.',
  'heat stress': `Cool, quiet place, water to drink, ${VET_NOW}`,
  'laboured breathing': `Keep the dog upright and calm, ${VET_NOW}`,
  'suspected ringworm': CONTAGIOUS,
  'suspected scabies': CONTAGIOUS,
} as const

/** Every stop and caution: what is so, and what to do next. */
export const NOTICES: { [C in NoticeCode]: NoticePhrases<C> } = {
  'stop.ear': {
    title: ({ side, signs }, say) => `${capital(side)} ear: ${say.list(signs)}`,
    next: 'No cleaner, no plucking, no plug. Keep water off this ear and have a vet look at it first.',
  },
  'stop.health': { title: ({ sign }) => capital(sign), next: ({ sign }) => HEALTH_NEXT[sign] },
  'stop.wounds': {
    title: 'Open or weeping wounds over a wide area',
    next: 'No bath. A vet first; cover nothing, put nothing on.',
  },
  'stop.bite': {
    title: 'May bite, and you are alone',
    next: 'Not alone. Ask for a second person. Or send the dog to a vet’s practice that can settle it.',
  },
  'stop.felted': {
    title: ({ zones }) => `Coat felted to the skin: ${zonesListed(zones)}`,
    next: 'No bath before it is off: water felts it tighter. Clip it off dry or refer.',
  },
  'stop.skin': {
    title: ({ skin, zones }) => `${capital(SKIN_NAMES[skin])} skin${zones.length > 0 ? `: ${zonesListed(zones)}` : ''}`,
    next: 'Nothing goes on that place but what a vet ordered; no warm air on it. Wash around it.',
  },
  'stop.medicated': {
    title: ({ product }) => `${product}: no written instruction`,
    next: 'It stays on the shelf until the vet’s written instruction is recorded with it.',
  },
  'caution.heat': {
    title: ({ why }, say) => `Heat watch: ${say.list(why)}`,
    next: 'Cool air, short stretches, stop at hard panting. Keep warm between tub and dryer.',
  },
  'caution.vet': {
    title: ({ why }, say) => capital(say.list(why)),
    next: 'Ask the vet before a visit that may be stressful.',
  },
  'caution.fleas': {
    title: 'Fleas',
    next: 'A ring of lather round the neck first, then backwards. Last in the tub. Flea products as the label allows for its age.',
  },
  'caution.lift': {
    title: ({ kg, index }, say) => `${say.weight(kg)} is ${say.number(index)} × what one lift allows`,
    next: ({ advice }) => LIFT_ADVICE[advice],
  },
  'caution.earTrouble': {
    title: 'Ear trouble keeps coming back',
    next: 'It is usually a symptom of something else: advise a vet, even when today’s ear is mild.',
  },
  'caution.chill': {
    title: ({ minutes, roomC }, say) =>
      `Chill watch: ${say.number(minutes)} min wet and still at ${say.temperature(roomC)}`,
    next: 'Towel over the back while it stays on, no draught; stop at shivering.',
  },
  'caution.scald': {
    title: ({ hotC }, say) =>
      `Hot tap ${say.temperature(hotC)}: scalds in ${scaldWords(scaldLine(hotC), say)} if the cold side fails`,
    next: 'Set and test the water away from the dog. Do it again whenever the tap was off. A dog scalds sooner than that.',
  },
  'caution.noise': {
    title: (f, say) =>
      `Noise: ${say.number(f.dose, 0)} % of a day’s dose ${f.protected ? 'with your protector' : 'without protection'}`,
    next: ({ level }, say) =>
      `${say.number(level, 0)} dBA at your ear. Wear ear protection; a hood or band for the dog.`,
  },
  'caution.load': {
    title: ({ watts, circuitW }, say) => `${say.number(watts, 0)} W on a circuit of ${say.number(circuitW, 0)} W`,
    next: 'Nothing else on that circuit while it runs. The local code rules.',
  },
  'caution.current': {
    title: 'Water and current',
    // each by the name that stands on the socket there
    next: (_, say) =>
      `No mains dryer within reach of the tub. Dry hands, dry floor, ${say.units.volume === 'us' ? 'a GFCI outlet' : 'a residual-current device on the socket'}.`,
  },
  'caution.pH': {
    title: ({ product, pH }, say) => `${product}: pH ${say.number(pH)}`,
    next: 'Outside 6 to 8. Is the label read right? A dog’s skin is near neutral.',
  },
  'caution.stronger': {
    title: ({ product }) => `${product} stronger than its label`,
    next: 'The label rules: too strong irritates, and takes longer to rinse.',
  },
  'caution.shorter': {
    title: ({ product }) => `${product} on for less than its label says`,
    next: ({ label }, say) => `The label wants ${say.number(label)} min.`,
  },
  'caution.refused': {
    title: ({ product }) => `${product} is not used`,
    next: ({ why }, say) => `${capital(say.said(why))}. Juvant’s own choice stands.`,
  },
  'caution.dries': {
    title: ({ product }) => `${product}: your choice`,
    next: ({ skin }) => `It dries: on ${skinWords(skin)} that may itch more. Watch for it.`,
  },
  'caution.strips': {
    title: ({ product }) => `${product}: your choice`,
    next: 'It strips oil from a skin that isn’t greasy: a mild wash or conditioner after it.',
  },
  'caution.medicatedUnasked': {
    title: ({ product }) => `${product}: your choice`,
    next: 'Medicated without treatment on the record: only as its written instruction says.',
  },
  'caution.notMedicated': {
    title: ({ product }) =>
      product === null ? 'Under a vet’s treatment, and no medicated product is used' : `${product}: your choice`,
    next: ({ product }) =>
      product === null
        ? 'None on the shelf may go on this dog. Ask the owner for the vet’s product and its written instruction.'
        : 'Under a vet’s treatment, and this isn’t a medicated product: only if the vet agrees.',
  },
  'caution.noShampoo': {
    title: 'No shampoo on the shelf for this dog',
    next: 'Water alone today, or put one on the shelf.',
  },
  'caution.tap': { title: 'The taps can’t make this bath', next: ({ why }, say) => say.said(why) },
  'caution.short': {
    title: ({ minutes }, say) => `Hot water runs short after ${say.number(minutes)} min of shower`,
    next: 'Let the tank recover between wash and rinse, or wash a smaller dog before.',
  },
  'caution.tankless': {
    title: 'The heater can’t keep up with this flow',
    next: 'Turn the shower down until it stays warm.',
  },
  'caution.residue': {
    title: ({ end, limit }, say) => `Soap left after the rinse: ${say.number(end)} mg/m², over ${say.number(limit)}`,
    next: 'Rinse longer: soap left in itches for days.',
  },
  'caution.yourWay': {
    title: ({ against }, say) => `Your way of drying: ${say.said(against)}`,
    next: 'Watch the dog and the coat; Juvant’s own choice is beside it.',
  },
  'caution.brought': {
    title: ({ product }) => `${product} is the owner’s: read its label first`,
    next: 'What it contains, its age limit and its time aren’t known here. Look for what this dog is allergic to.',
  },
  'caution.leastBad': {
    title: ({ against }, say) => `No way of drying suits: ${say.said(against)}`,
    next: 'The least bad one is planned. Go gently, stop early, and finish in a warm room.',
  },
  'caution.tooNear': {
    title: ({ metres, nearest }, say) =>
      `Dryer at ${say.distance(metres)}: nearer than the ${say.distance(nearest)} this coat bears`,
    next: 'Feel the air with your wrist at that distance. Keep it moving, or take a cooler setting.',
  },
  'caution.homeDamp': {
    title: ({ minutes }, say) => `Still damp after ${say.number(minutes, 0)} min of dryer: that is what it bears`,
    next: 'Towels, a warm room without draught, until it is dry at the skin. Home damp only in warm weather and if the owner agrees.',
  },
  'caution.waxStays': {
    title: ({ side, why }, say) => `${capital(side)} ear: ${say.said(why)}`,
    next: 'The wax stays today. Another cleaner on the shelf, or the vet; tell the owner.',
  },
  'caution.wontDry': {
    title: ({ technique }) =>
      `Will not dry by ${technique === 'air' ? 'itself' : TECHNIQUE_NAMES[technique]} in this room`,
    next: 'Open a window, lower the humidity, or finish with a dryer.',
  },
  'caution.before': {
    title: ({ date, what }, say) => `It happened on ${say.date(date, 'day')}: ${what}`,
    next: ({ step }) =>
      step === null ? 'Go slower there; two hands on the dog.' : `It was during “${stepTitle(step)}”: go slower there.`,
  },
  'stop.kept': { title: ({ title }) => title, next: ({ next }) => next },
  'caution.kept': { title: ({ title }) => title, next: ({ next }) => next },
  'caution.dampBefore': {
    title: ({ zone, visits }, say) => `Found damp on ${say.count(visits, 'visit')}: ${ZONE_NAMES[zone]}`,
    next: 'Part the hair there to the skin before you go on.',
  },
  'caution.earSigns': {
    title: ({ date, side, signs }, say) => `${capital(side)} ear on ${say.date(date, 'short')}: ${say.list(signs)}`,
    next: 'Look and smell first. Has the vet looked? Until then nothing goes in.',
  },
  'caution.earsShaken': {
    title: ({ date }, say) => `Ears were shaken for days after ${say.date(date, 'short')}`,
    next: 'Look and smell first; whatever got wet in them is dried.',
  },
  'caution.dampSmell': {
    title: ({ date }, say) => `Smelled damp two days after ${say.date(date, 'short')}`,
    next: 'Part the hair to the skin in every zone; armpits, groin and tail root last longest.',
  },
}

const phrase = <C extends NoticeCode>(n: Notice, part: keyof NoticePhrases<C>, say: Say): string => {
  const words = NOTICES[n.code][part] as string | ((facts: Codes[C], say: Say) => string)
  return typeof words === 'string' ? words : words(n.facts as Codes[C], say)
}

/** What is so. */
export const noticeTitle = (n: Notice, say: Say): string => phrase(n, 'title', say)
/** What to do next. */
export const noticeNext = (n: Notice, say: Say): string => phrase(n, 'next', say)
