import { cutsAll } from '@core/dog'
import type { ClipTool, OwnNumber, PassName, Service, Styling, Zone } from '@core/dog'
import type { Care, OwnChoice } from '@core/visit'
import { ratioWords } from './mixing'
import { CARE_NAMES, KIND_NAMES, stepTitle, TECHNIQUE_NAMES, zonesText } from './names'
import { capital, type Say } from './say'
import type { Words } from './types'

/** What a dog comes for. */
export const SERVICE_NAMES: Record<Service, string> = {
  bath: 'bath',
  bathAndTidy: 'bath and tidy',
  deShed: 'de-shed',
  fullClip: 'bath and full clip',
  haircut: 'haircut only',
  nailsAndEars: 'nails and ears only',
  own: 'only what I add',
}
/** With what a coat is cut. */
export const CLIP_TOOL_NAMES: Record<ClipTool, string> = {
  blade: 'a blade',
  comb: 'a blade under a comb',
  scissors: 'scissors',
}
/** How a zone is to lie when it is dry. */
export const STYLING_NAMES: Record<Styling, string> = {
  lift: 'lifted',
  flat: 'flat',
  against: 'against the lie',
  damp: 'left damp',
}

const NEEDED = {
  first: 'what the hands find decides everything after it',
  lift: 'the dog goes in and comes out',
  water: 'there is no bath without it',
  soap: 'soap is always rinsed out',
  label: 'the label’s time counts; change how long it stays instead',
  plugs: 'what goes in comes out, and is counted',
  wet: 'a wet dog is always dried; change how or how long instead',
  handOver: 'the owner hears what was found',
  tub: 'the next dog comes into a clean tub',
} as const

export const COURSE: Words<'course'> = {
  'course.needed': ({ step, because }) => `${stepTitle(step)} stays: ${NEEDED[because]}.`,
  'course.order': ({ step, before }) => `${stepTitle(step)} comes before ${lower(stepTitle(before))}.`,
  'course.inTub': ({ step }) => `${stepTitle(step)} isn’t done in the tub.`,
  'course.outOfTub': ({ step }) => `${stepTitle(step)} is done in the tub, while the dog is in it.`,
  'course.plugged': ({ step }) => `${stepTitle(step)} isn’t done while the plugs are in.`,
  'course.wetDog': ({ step }) =>
    `${stepTitle(step)} is done before the water or once the dog is dry: a wet dog isn’t left waiting.`,
  'course.wetCoat': ({ step }) => `${stepTitle(step)} is done on a dry coat, not between water and dryer.`,
  'course.product': ({ product, why }, say) => `${product} stays on the shelf: ${say.said(why)}.`,
  'course.needsRinse': ({ product, kind }) =>
    `${product} doesn’t stay on a coat: ${KIND_NAMES[kind]} goes on in the wash or not at all.`,
  'course.gone': ({ step }) => `${stepTitle(step)} stays where it was: the step it should follow isn’t there today.`,
  'course.whole': ({ step }) => `${stepTitle(step)} is done without a break.`,
  'course.half': 'half of it',
  'course.you': ({ reason }) => (reason === '' ? 'your own minutes' : `You: ${reason}`),
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** Words of the steps that a dog comes for beside its bath, and of those the groomer adds. */
export const CARE_STEPS: Pick<
  Words<'step'>,
  | 'step.deShed'
  | 'step.clip'
  | 'step.clipDry'
  | 'step.clipDouble'
  | 'step.clipWire'
  | 'step.tidy'
  | 'step.teeth'
  | 'step.glands'
  | 'step.yours'
  | 'step.withoutDog'
  | 'step.putOn'
> = {
  'step.deShed': 'Layer by layer with the lie, the skin never scraped; stop when little comes.',
  'step.clip': ({ tool, cm }, say) =>
    `${capital(CLIP_TOOL_NAMES[tool])}${cm === null ? ', short' : `, ${say.length(cm)} left`}. With the lie, skin stretched; feel the blade, a hot one burns.`,
  'step.clipDry': 'On a clean coat only: dirt pulls and dulls the blade.',
  'step.clipDouble': 'A double coat may grow back patchy: outline and feet only, unless a vet asked.',
  'step.clipWire': 'Cutting softens a wire coat and pales it: tell the owner.',
  'step.tidy': 'Face, feet between the pads, belly, under the tail. Scissors away from the eye, points out.',
  'step.teeth': 'Dog toothpaste only, the outer sides, a soft brush. Loose or bleeding: the vet.',
  'step.glands': 'Outside only, gently, once. Hard, hot or bloody: the vet. Only where local rules allow it.',
  'step.yours': 'Your own step.',
  'step.withoutDog': 'Your own step, without the dog.',
  'step.putOn': ({ product, mL, zones }, say) =>
    `${product}, about ${say.volume(mL)}${zones.length > 0 ? `, ${zonesText(zones)}` : ''}. It stays on.`,
}

const OWN_NUMBERS: Record<OwnNumber['target'], (value: number, say: Say) => string> = {
  ratio: (v, say) => ratioWords(v, say),
  volume: (v, say) => `${say.volume(v)} of mix for a wash`,
  water: (v, say) => `the bath at ${say.temperature(v)}`,
  rinse: (v, say) => `the last rinse ${say.minutes(v)}`,
  passes: (v, say) => say.count(v, 'rinse pass', 'rinse passes'),
  firstContact: (v, say) => `the first wash stays ${say.minutes(v)}`,
  contact: (v, say) => `the main wash stays ${say.minutes(v)}`,
  conditioner: (v, say) => `the conditioner stays ${say.minutes(v)}`,
  drying: (v, say) => `drying ${say.minutes(v)}`,
  distance: (v, say) => `the dryer at ${say.distance(v)}`,
  towels: (v, say) => say.count(v, 'towel'),
  earMl: (v, say) => `${say.volume(v, 1)} of ear cleaner`,
}

/** The passes of a wash. */
export const PASS_NAMES: Record<PassName, string> = {
  clean: 'first wash',
  treat: 'main wash',
  mild: 'third wash',
  conditioner: 'conditioner',
}

/** Blades and combs as the trade numbers them, with what they leave. Values from memory; makers differ a little. */
export const CUT_WITH: readonly string[] = [
  '10 blade, 1.5 mm',
  '7F blade, 3 mm',
  '5F blade, 6 mm',
  '4F blade, 9 mm',
  '3F blade, 13 mm',
  '6 mm comb',
  '9 mm comb',
  '13 mm comb',
  '16 mm comb',
  '19 mm comb',
  '25 mm comb',
  'scissors',
  'thinning scissors',
]
/** With what some zones are cut. */
export const cutWords = ({ cut, zones }: { cut: string; zones: readonly Zone[] }): string =>
  `${capital(zonesText([...zones]))}: ${cut}`

/** One thing that is done the groomer's own way. `product`: names by id; `step`: what a step is called by its id. */
export function choiceWords(
  choice: OwnChoice,
  say: Say,
  names: { product: (id: string) => string; step: (id: string) => string },
): string {
  const { step } = names
  switch (choice.in) {
    case 'service': {
      const { service, clipCm, clipTool } = choice.value
      const cut = cutsAll(service) ? `: ${CLIP_TOOL_NAMES[clipTool]}${clipCm ? `, ${say.length(clipCm)}` : ''}` : ''
      return `${capital(SERVICE_NAMES[service])}${cut}`
    }
    case 'technique':
      return `Dried by ${TECHNIQUE_NAMES[choice.value]}`
    case 'anyway':
      if (choice.value === 'upperBody') return 'All of it washed, though the dog is frightened or new'
      return `${capital(CARE_NAMES[choice.value as Care] ?? choice.value)}, though done lately`
    case 'cut':
      return `${capital(zonesText([choice.value.zone]))} cut with ${choice.value.cut}`
    case 'styling':
      return `${capital(zonesText([choice.value.zone]))} ${STYLING_NAMES[choice.value.styling]}`
    case 'overrides':
      return capital(OWN_NUMBERS[choice.value.target](choice.value.value, say))
    case 'minutes':
      return `${step(choice.value.step)}: ${say.minutes(choice.value.minutes)}`
    case 'products': {
      const { pass, productId, zones, ratio } = choice.value
      const where = zones.length > 0 ? ` on ${zonesText(zones)}` : ''
      const strength = ratio === null ? '' : `, ${ratioWords(ratio, say)}`
      return `${capital(PASS_NAMES[pass])}: ${names.product(productId)}${where}${strength}`
    }
    case 'skipped':
      return `Left out: ${lower(step(choice.value.step))}`
    case 'added':
      return `${choice.value.name}, ${say.minutes(choice.value.minutes)}, after ${lower(step(choice.value.after))}`
    case 'moved':
      return `${step(choice.value.step)} right after ${lower(step(choice.value.after))}`
    case 'split':
      return `${step(choice.value)} in two halves`
  }
}
