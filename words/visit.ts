import type { Change, ComparedValue, Step } from '@core/visit'
import { CARE_STEPS } from './course'
import { earWords } from './ears'
import { LADDERS, pressureWords, RINSE_TOOLS } from './handling'
import { ratioWords } from './mixing'
import { aCoat, TECHNIQUE_NAMES, zonesListed, zonesText } from './names'
import { noticeTitle } from './notices'
import { capital, listed, type Say } from './say'
import type { Codes } from '@core/said'
import type { Words } from './types'

type Put = Codes['step.put']['mixes'][number]

/** One mix as a step tells of it: "Oat Plain on the feet, 1 part product + 10 parts water (11 parts), 250 mL". */
function mixText({ product, blend, zones, form, ratio, amount }: Put, say: Say): string {
  const what = blend === null ? product : `${product} and ${blend}, half and half`
  const where = zones.length === 0 ? '' : ` on ${zonesText(zones)}`
  const much = form === 'bar' ? `${say.number(amount, 0)} g` : say.volume(amount)
  return `${what}${where}, ${ratioWords(ratio, say, form)}, ${much}`
}

const HEAD_WET = {
  late: 'The head stays dry until its lather.',
  early: 'Body first, then the head.',
  cloth: 'No water on the head.',
}

export const STEPS: Words<'step'> = {
  'step.blowOut': 'Loose undercoat out with fast air and slicker, before water.',
  'step.cutWith': ({ cut, zones }) => `${capital(zonesListed(zones))}: ${cut}.`,
  'step.lineByLine': 'Line by line to the skin.',
  'step.roughClip': ({ felt }) =>
    felt
      ? 'Clip it off dry, blade flat, under the felt and close to the skin; what it hides may be sore: look, and stop for the vet.'
      : 'Cut off roughly and dry what goes anyway: it needs no brush, no shampoo and no dryer.',
  'step.looseHair': 'The loose hair and the worst mat; no further today.',
  'step.rubberBrush': 'Rubber brush with the lie; the loose hair comes off dry.',
  'step.softBrush': 'A soft brush over the back, a treat; no pulling.',
  'step.matsOnly': 'Only the mats, with the fingers and the end of the comb.',
  'step.matsTighten': ({ zones }) => `Mats on ${zonesListed(zones)} tighten when wet.`,
  'step.matsWait': 'The small mats wait.',
  'step.ear': ({ side, ear }, say) => `${capital(side)}: ${earWords(ear, say)}.`,
  'step.restAndSetUp': 'In a crate or clean room. Set the drying place up meanwhile.',
  'step.letShake': 'Let the dog shake, then straight into the towel.',
  'step.alone': ({ technique, fan }) =>
    technique === 'fan'
      ? `${fan}, unheated, in front of the wire crate. Look in often.`
      : 'Room air, warm room, no draught. Look in often.',
  'step.combAt': ({ minutes }) => `Comb through at ${listed(minutes.map(String))} min.`,
  'step.wrapped': 'Dry towel round it, warm room, no draught. Feel for damp now and then.',
  'step.dryWith': ({ dryers }) => `${dryers.join(', then ') || 'Room air'}.`,
  'step.wholeDog': 'The whole dog first, always moving: the water runs off ahead of the air.',
  'step.zoneByZone': 'Zone by zone: fast air, then the brush; a damp towel over what waits.',
  'step.dryOrder': ({ first, headLast }) =>
    `${capital(zonesListed(first))} first${headLast ? ', head last' : ''}. Part the hair to the skin in every zone.`,
  'step.dampLeft': ({ zones }) => `Left a little damp on purpose: ${zonesListed(zones)}.`,
  'step.combToSkin': ({ layers }) => (layers ? 'To the skin, layer by layer.' : 'To the skin.'),
  'step.clothOver': 'A dry cloth with the lie, all over.',
  'step.dryDampNow': 'Any damp place is dried now.',
  'step.smallMatsNow': 'The small mats open now.',
  'step.put': ({ mixes }, say) => `${mixes.map((m) => mixText(m, say)).join('. ')}.`,
  'step.washFrom': ({ first, fleas, head }) => {
    const start = fleas ? 'A ring of lather round the neck' : capital(zonesListed(first))
    return `${start} first${head === 'cloth' ? '; the face by cloth' : head === 'last' ? ', head last' : ''}.`
  },
  'step.around': ({ zones }) => `Sore: ${zonesListed(zones)}. Around the place, a hand’s width clear, nothing on it.`,
  'step.earsStayDry': 'The ears stay dry.',
  'step.standsOn': ({ products }, say) =>
    products.length > 1
      ? `Side by side: ${products.map((p) => `${p.product} ${say.number(p.minutes)} min`).join(', ')}.`
      : `${products[0]?.product ?? 'Shampoo'}.`,
  'step.meanwhile': ({ face }) =>
    face
      ? 'Massage or comb meanwhile; towel over the back.'
      : 'Massage, comb or do the face meanwhile; towel over the back.',
  'step.faceCloth': ({ folds }) =>
    folds ? 'Damp cloth, from the side; folds wiped and dried.' : 'Damp cloth, from the side; no water on the head.',
  'step.faceWash': ({ folds }) =>
    folds ? 'Fingers, little lather, folds too; away from the eyes.' : 'Fingers, little lather, away from the eyes.',
  'step.looseDirt': ({ litres, untilClear }, say) =>
    `${say.litres(litres, 0)}. ${untilClear ? 'Until the water runs clear.' : 'The loose dirt goes; it need not be perfect.'}`,
  'step.fromNeckRing': 'From the neck ring backwards.',
  'step.lastRinse': ({ passes, litres, head, tool, from }, say) => {
    const how =
      head === 'cloth'
        ? 'head by cloth'
        : head === 'down'
          ? 'nose tipped down, water sent backwards'
          : 'chin up, water from behind the eyes'
    const order = head === 'cloth' || !from ? '' : from === 'headFirst' ? ' Head first.' : ' Head last.'
    return `${say.count(passes, 'pass', 'passes')}${tool === 'cup' ? ' by cup' : ''}, ${say.litres(litres, 0)}, ${how}.${order}`
  },
  'step.soapHides': 'Armpits, groin, under the tail, behind the ears.',
  'step.fingersLast': 'Fingers until nothing is slippery.',
  'step.conditionerWhy': ({ why }, say) => `${capital(say.said(why))}.`,
  'step.combThrough': ({ mats }) => `Combed through from the bottom up${mats ? '; the small mats open now' : ''}.`,
  'step.awayFromEyes': ({ product }) => `${product}. Away from the eyes.`,
  'step.conditionerOut': ({ litres }, say) => `Conditioner out, ${say.litres(litres, 0)}.`,
  'step.plugsIn': ({ plugs, why }, say) => `${plugs} in: ${say.said(why)}.`,
  'step.plugsOut': ({ plugs }) => `${plugs} out. Count them.`,
  'step.nails': ({ tips }) =>
    tips ? 'The tips only, a treat for each foot.' : 'A little at a time; stop before the quick.',
  'step.look': 'Lumps, ticks, redness, mats, ears, eyes, nails. Have everything at hand before the dog comes in.',
  'step.handOver': 'What was found, home care, when again.',
  'step.liftIn': 'Mat, restraint that slips free, a hand under the chest. Never left alone.',
  'step.wet': ({ celsius, tool, gentle, head }, say) =>
    `${say.temperature(celsius)}, ${RINSE_TOOLS[tool]}, ${pressureWords(gentle)}, into the coat. ${HEAD_WET[head ?? 'early']}`,
  'step.lowerHalf': 'Only legs, belly and tail today: the back stays dry.',
  'step.squeeze': ({ cords }) => (cords ? 'Cord by cord, from the top down.' : 'With the hands, from the top down.'),
  'step.liftOut': 'Nothing drips.',
  'step.towel': ({ rub, chamois }) => {
    if (chamois) return 'Chamois, wrung out again and again; press, don’t rub long hair.'
    return rub ? 'Rub with and against the lie.' : 'Press and squeeze; rubbing makes knots.'
  },
  'step.setUp': 'Brush, dry towels, dryer, treats to hand.',
  'step.topknot': 'Tie it while it is a little damp. Next time the band is cut, never pulled.',
  ...CARE_STEPS,
  'step.added': 'Added on the way.',
  'step.cleanTub': 'Hair trap, disinfect, towels to the wash, leftovers away.',
}

export const VISIT: Words<'finish' | 'again' | 'ask' | 'home' | 'used'> = {
  'finish.putOn': 'put on and stroked in',
  'again.coat': ({ coat }) => `usual for ${aCoat(coat)}`,
  'again.mattingCoat': 'a coat that mats is not left longer',
  'again.greasy': 'greasy skin',
  'again.tender': 'dry or itchy skin: washing strips it',
  'again.outdoors': 'lives outdoors: the coat keeps its oil',
  'again.fewMats': 'a few mats',
  'again.manyMats': 'many mats',
  'again.treatment': 'under treatment: the vet’s interval rules',
  'again.agreed': ({ days }, say) =>
    days % 7 === 0 ? `agreed: every ${say.count(days / 7, 'week')}` : 'agreed: once a month',
  'again.kept': ({ visits }, say) => `as it has come over ${say.count(visits, 'visit')}`,
  'again.fleas': 'live fleas: eggs that are laid now hatch by then',
  'again.wholeDays': 'whole days',
  'ask.puppyWeight': ({ kg }, say) => `A puppy of ${say.weight(kg)}: is the weight right, or the age?`,
  'ask.breedWeight': ({ kg, breed, lightest, heaviest }, say) =>
    `${say.weight(kg)} for a ${breed}: usually ${say.weight(lightest)} to ${say.weight(heaviest)}. Is it right?`,
  'ask.weightChange': ({ kg, recordKg }, say) =>
    `${say.weight(kg)} today, ${say.weight(recordKg)} on the record: weigh again; if it is so, tell the owner.`,
  'ask.hairlessMats': 'Mats on a hairless dog: is it the crest, or the wrong coat on the record?',
  'ask.hairlessShedding': 'Shedding on a hairless dog: is the coat on the record right?',
  'ask.smoothMats': 'Many mats on a smooth coat: is the coat on the record right?',
  'ask.smoothLong': ({ lengthCm }, say) => `A smooth coat of ${say.length(lengthCm)}: is the length right?`,
  'ask.itchyNothing': 'Itchy, and nothing seen: part the hair again for fleas, redness, or soap left from last time.',
  'ask.fleasNoBites': 'Fleas, and no bites: look at the tail root and the belly.',
  'ask.dryGreasy': 'Dry and greasy at once: flakes on a greasy coat are a vet’s question.',
  'ask.grownPuppy': 'The record says puppy, the date of birth says grown: the date counts.',
  'ask.oneEar': 'One ear only: look again at the other, and into the first for a grass seed.',
  'ask.woundWhere': 'A small wound: where? Until its place is tapped, the whole dog is spared air and product.',
  'home.brushAfterRain': 'Dry and brush after rain: damp hair knots too.',
  'home.towelAfterRain': 'Towel dry after rain.',
  'home.brushOften': 'Brush to the skin two or three times a week, line by line.',
  'home.cords': 'Part the cords by hand; keep them dry and aired.',
  'home.liftEars': 'Lift the ears and dry under the flap after water.',
  'home.tellScratching': 'If it scratches in two days, tell me: soap, product or something else.',
  'home.fleas': 'Treat the dog and the home on one day. Use what your vet or the label says for its age.',
  'home.folds': 'Wipe and dry the folds every day.',
  'home.hairless': 'Sun and cold: shade, a coat, plain skin care.',
  'home.vetEars': ({ sides }) =>
    `${capital(listed(sides))} ${sides.length > 1 ? 'ears' : 'ear'}: let a vet see it. Nothing goes in until then.`,
  'home.practise': ({ stressor }) => `${capital(stressor)}: ${LADDERS[stressor].homework}`,
  'home.askInTwoDays': ({ name }) =>
    `In two days: does ${name} scratch, shake the ears, or smell damp? The next visit is planned better for it.`,
  'used.nothing': 'Nothing: no bath today.',
  'used.product': ({ product, blend, form, ratio, zones }, say) =>
    `${product}${blend === null ? '' : ` and ${blend}, half and half`}, ${ratioWords(ratio, say, form)}, on ${zonesText(zones)}`,
  'used.ears': ({ products }) => `${listed(products)} in the ears`,
}

/** What a step is to be done like, its statements one after another. */
export const stepDetail = ({ detail }: Pick<Step, 'detail'>, say: Say): string =>
  detail.map((d) => say.said(d)).join(' ')

function valueWords(value: ComparedValue, say: Say): string {
  switch (value.kind) {
    case 'none':
      return 'none'
    case 'number':
      return value.unit === 'passes' ? say.number(value.value, 0) : say.amount(value, value.digits)
    case 'product':
      return value.name
    case 'stops':
      return value.stops.map((s) => noticeTitle(s, say)).join('; ')
    case 'places':
      return value.places.map((p) => `${p.product} on ${zonesText(p.zones)}`).join('; ') || 'one product for all'
    case 'ear':
      return earWords(value.ear, say)
    case 'technique':
      return TECHNIQUE_NAMES[value.technique]
    case 'brushing': {
      const parts = [
        ...(value.blowOut === null ? [] : [`blow out ${value.blowOut} min`]),
        ...(value.brush === null ? [] : [`brush ${value.brush} min`]),
      ]
      return parts.join(', ') || 'nothing'
    }
  }
}

/** A change from one plan to another in words: before, after, and why. */
export function changeWords(change: Change, say: Say): { from: string; to: string; why: string[] } {
  const why = [...change.came.map((c) => say.said(c)), ...change.went.map((w) => `no longer: ${say.said(w)}`)]
  return { from: valueWords(change.from, say), to: valueWords(change.to, say), why }
}
