import { isLong, type Dog, type Zone } from '../dog'
import type { Plan, Step, Today } from '../visit'
import { zonesToDo } from './guide'
import type { VisitRecord } from './record'

/** One thing that the hands do at a step, in the order of the trade. */
export type HowTo =
  | 'handsOverAll'
  | 'eyeCrusts'
  | 'fromTheEnds'
  | 'stretchSkin'
  | 'holdMatRoot'
  | 'changeHands'
  | 'nozzleAtSkin'
  | 'underChest'
  | 'legsForeAndBack'
  | 'liftCoat'
  | 'pourIntoCoat'
  | 'earsShut'
  | 'muzzleShut'
  | 'shieldEyes'
  | 'noseDown'
  | 'chinUp'
  | 'clothFace'
  | 'foldsDried'
  | 'fingertips'
  | 'strokeAlong'
  | 'betweenToes'
  | 'earTips'
  | 'underTail'
  | 'foamDown'
  | 'neckRing'
  | 'rinseFromRing'
  | 'eyeCorners'
  | 'soapHides'
  | 'awayFromEyes'
  | 'topDown'
  | 'plugGently'
  | 'holdToe'
  | 'coverEye'
  | 'flapShut'
  | 'partHair'
  | 'tubAfterFleas'
  | 'treatNow'
  | 'stopPoint'
  | 'cupFromFeet'

/** What is known of the dog, its day and the house when the hands are told what to do. */
export interface AtHand {
  plan: Plan
  dog: Dog
  today: Today
}

/** How the head is rinsed: by the house's rule, or by a cloth where no water goes there. */
export function headRinseOf(plan: Pick<Plan, 'steps'>): 'down' | 'up' | 'cloth' {
  const rinse = plan.steps.find((s) => s.kind === 'rinse' && s.role === 'last')
  const detail = rinse?.detail.find((d) => d.code === 'step.lastRinse')
  return detail?.code === 'step.lastRinse' ? detail.facts.head : 'cloth'
}

/** What to mind where water goes over the head. */
function headInWater(plan: Plan, dog: Dog): HowTo[] {
  const head = headRinseOf(plan)
  if (head === 'cloth') return ['clothFace', ...(dog.folds ? (['foldsDried'] as const) : [])]
  return [
    ...(dog.earCarriage === 'erect' ? (['earsShut'] as const) : []),
    head === 'down' ? 'noseDown' : 'chinUp',
    'muzzleShut',
    'shieldEyes',
    ...(dog.folds ? (['foldsDried'] as const) : []),
  ]
}

/** What the hands do in one zone with water, lather or air. */
function inZone(zone: Zone, { kind }: Pick<Step, 'kind'>, { plan, dog }: AtHand): HowTo[] {
  const air = kind === 'dry'
  switch (zone) {
    case 'head':
      return air ? ['coverEye', ...(dog.folds ? (['foldsDried'] as const) : [])] : headInWater(plan, dog)
    case 'ears':
      return air ? ['flapShut'] : ['earTips']
    case 'forelegs':
    case 'hindlegs':
      return ['legsForeAndBack']
    case 'feet':
      return ['betweenToes']
    case 'tail':
      return ['underTail']
    case 'back':
      return air ? [] : [isLong(dog.coat) ? 'strokeAlong' : 'fingertips', 'foamDown']
    case 'neck':
      return air ? [] : ['earTips']
    case 'belly':
      return air ? ['partHair'] : ['soapHides']
  }
}

/** Dogs that are here for something new: few steps, treats, and a good end at any time. */
const isNew = (dog: Dog, plan: Plan) => dog.firstBath || dog.rescue || plan.short !== undefined
const STOPS = new Set<Step['kind']>(['wet', 'squeeze', 'towel', 'dry', 'nails', 'comb'])

function ofStep(step: Step, { plan, dog, today }: AtHand): HowTo[] {
  switch (step.kind) {
    case 'look':
      return ['handsOverAll']
    case 'brush':
      return step.role === 'rubber'
        ? []
        : [
            'fromTheEnds',
            'stretchSkin',
            ...(step.role === 'matsOnly' || Object.keys(today.mats).length > 0 ? (['holdMatRoot'] as const) : []),
            'changeHands',
          ]
    case 'deShed':
    case 'comb':
      return ['fromTheEnds', 'partHair', 'changeHands']
    case 'blowOut':
      return ['nozzleAtSkin', 'changeHands']
    case 'liftIn':
    case 'liftOut':
      return ['underChest', 'legsForeAndBack']
    case 'wet':
      return [
        ...(isNew(dog, plan) ? (['cupFromFeet'] as const) : []),
        'eyeCrusts',
        plan.rinse.tool === 'cup' ? 'pourIntoCoat' : 'liftCoat',
        ...headInWater(plan, dog),
      ]
    case 'wash':
      return today.fleas ? ['neckRing'] : []
    case 'face':
      return step.role === 'cloth' ? headInWater(plan, dog) : ['eyeCorners', 'shieldEyes', 'muzzleShut']
    case 'rinse':
      return step.role === 'last'
        ? [...(today.fleas ? (['rinseFromRing'] as const) : []), ...headInWater(plan, dog), 'soapHides']
        : []
    case 'condition':
      return ['fromTheEnds', 'awayFromEyes']
    case 'squeeze':
      return ['topDown', 'legsForeAndBack']
    case 'plugIn':
      return ['plugGently']
    case 'nails':
      return ['holdToe', 'legsForeAndBack']
    case 'dry':
      return step.hands ? ['partHair', 'changeHands'] : []
    case 'clip':
    case 'tidy':
      return ['stretchSkin', 'legsForeAndBack', 'changeHands']
    case 'clean':
      return today.fleas ? ['tubAfterFleas'] : []
    default:
      return []
  }
}

/**
 * What the hands do now, the most pressing first: what the zone in hand asks, then what the step asks, then what a
 * new or very young dog asks. The ears have a sequence of their own (`earNow`). Each once.
 */
export function howToNow(record: VisitRecord, step: Step, at: AtHand): HowTo[] {
  const [zone] = zonesToDo(record, step, at.plan)
  const fleas = step.kind === 'wash' && at.today.fleas && zone === 'neck'
  const here = zone && !fleas ? inZone(zone, step, at) : []
  const small: HowTo[] = isNew(at.dog, at.plan)
    ? ['treatNow', ...(STOPS.has(step.kind) ? (['stopPoint'] as const) : [])]
    : []
  return [...new Set([...here, ...ofStep(step, at), ...small])]
}
