import { isLong, type Dog, type Zone } from '../dog'
import { HANDWORK, isSleek } from '../groomer'
import type { Plan, Step, Today } from '../visit'
import { zonesToDo } from './guide'
import { TUBSIDE, type VisitRecord } from './record'

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
  | 'holdJaw'
  | 'towelShoulders'
  | 'shakeOnCue'
  | 'earLeather'
  | 'faceInWait'
  | 'mitt'
  | 'testCup'
  | 'lureIn'
  | 'tieNothing'
  | 'rubberBrush'
  | 'clothWithHair'
  | 'sections'
  | 'earFringe'
  | 'letTurn'
  | 'skirtLying'
  | 'toesPointed'
  | 'ownCalm'
  | 'combDry'
  | 'untilClear'

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

/** Coats with so little hair that a mitt works the lather in, and nothing waits wet. */
const isShort = (coat: Dog['coat']) => isSleek(coat) || coat === 'short double'

/** When the head gets wet: late, with the face; early, with the body. */
const headWetEarly = (plan: Pick<Plan, 'steps'>) =>
  plan.steps.some((s) => s.kind === 'wet' && s.detail.some((d) => d.code === 'step.wet' && d.facts.head === 'early'))

/** What the hands do in one zone with water, lather or air. */
function inZone(zone: Zone, { kind }: Pick<Step, 'kind'>, { plan, dog }: AtHand): HowTo[] {
  const air = kind === 'dry'
  /** What is dried later waits under a towel, where there is much of it. */
  const waitsWarm: HowTo[] = air && !isShort(dog.coat) ? ['towelShoulders'] : []
  switch (zone) {
    case 'head':
      return air ? ['coverEye', 'holdJaw', ...(dog.folds ? (['foldsDried'] as const) : [])] : headInWater(plan, dog)
    case 'ears':
      return air ? ['flapShut'] : ['earTips']
    case 'forelegs':
    case 'hindlegs':
      return air && zone === 'hindlegs' ? ['legsForeAndBack', ...waitsWarm] : ['legsForeAndBack']
    case 'feet':
      return ['betweenToes']
    case 'tail':
      return air ? ['underTail', ...waitsWarm] : ['underTail']
    case 'back':
      if (air) return waitsWarm
      return [
        isLong(dog.coat) ? 'strokeAlong' : 'fingertips',
        ...(isShort(dog.coat) ? (['mitt'] as const) : []),
        'foamDown',
      ]
    case 'neck':
      return air ? [] : ['earTips']
    case 'belly':
      return air ? [...(isLong(dog.coat) ? (['skirtLying'] as const) : []), 'partHair'] : ['soapHides']
  }
}

/** Dogs that are here for something new: few steps, treats, and a good end at any time. */
const isNew = (dog: Dog, plan: Plan) => dog.firstBath || dog.rescue || plan.short !== undefined
const STOPS = new Set<Step['kind']>(['wet', 'squeeze', 'towel', 'dry', 'nails', 'comb'])

/** What a dog asks that stands long on the table: an old one, and whoever is worked on for a while. */
const restless = ({ minutes }: Step, plan: Plan, dog: Dog): HowTo[] =>
  minutes.value >= TUBSIDE.longStand.value || plan.short === 'senior' || dog.stage === 'senior' ? ['letTurn'] : []

/** Combing and brushing as the coat asks for it: nothing to comb on a sleek one, by sections on a long one. */
function combing({ coat, earCarriage }: Dog): HowTo[] {
  const fringed = (isLong(coat) || coat === 'feathered') && earCarriage !== 'erect'
  return [...(isLong(coat) ? (['sections'] as const) : []), 'fromTheEnds', ...(fringed ? (['earFringe'] as const) : [])]
}

function ofStep(step: Step, { plan, dog, today }: AtHand): HowTo[] {
  const cups = plan.rinse.tool === 'cup'
  switch (step.kind) {
    case 'look':
      return ['handsOverAll']
    case 'brush':
      return step.role === 'rubber'
        ? ['rubberBrush']
        : [
            ...combing(dog),
            'stretchSkin',
            ...(step.role === 'matsOnly' || Object.keys(today.mats).length > 0 ? (['holdMatRoot'] as const) : []),
            ...restless(step, plan, dog),
            'changeHands',
          ]
    case 'deShed':
    case 'comb':
      return step.role === 'cloth'
        ? ['clothWithHair']
        : [...combing(dog), 'partHair', ...restless(step, plan, dog), 'changeHands']
    case 'blowOut':
      return ['nozzleAtSkin', 'changeHands']
    case 'liftIn':
      return [
        ...(dog.weightKg > HANDWORK.heavy.value ? (['lureIn'] as const) : []),
        'underChest',
        'legsForeAndBack',
        'tieNothing',
      ]
    case 'liftOut':
      return ['underChest', 'legsForeAndBack']
    case 'wet':
      return [
        ...(isNew(dog, plan) ? (['cupFromFeet'] as const) : []),
        ...(cups ? (['testCup'] as const) : []),
        'eyeCrusts',
        cups ? 'pourIntoCoat' : 'liftCoat',
        ...(today.soil === 'filthy' ? (['untilClear'] as const) : []),
        ...(headWetEarly(plan) ? headInWater(plan, dog) : []),
      ]
    case 'wash':
      return today.fleas ? ['neckRing'] : []
    case 'face':
      return step.role === 'cloth'
        ? headInWater(plan, dog)
        : [
            ...(headWetEarly(plan) ? [] : headInWater(plan, dog)),
            'eyeCorners',
            'shieldEyes',
            'muzzleShut',
            'faceInWait',
          ]
    case 'rinse':
      return rinsing(step, { plan, dog, today })
    case 'condition':
      return [...(isLong(dog.coat) || dog.coat === 'feathered' ? (['fromTheEnds'] as const) : []), 'awayFromEyes']
    case 'squeeze':
      return ['topDown', 'legsForeAndBack']
    case 'shake':
      return headRinseOf(plan) === 'cloth' ? [] : ['shakeOnCue']
    case 'plugIn':
      return ['plugGently']
    case 'nails':
      return ['holdToe', 'legsForeAndBack']
    case 'dry':
      if (step.role === 'fast') return ['nozzleAtSkin', 'flapShut', 'towelShoulders', 'changeHands']
      if (!step.hands) return step.detail.some((d) => d.code === 'step.combAt') ? ['combDry'] : []
      return ['partHair', ...restless(step, plan, dog), 'changeHands']
    case 'clip':
      return ['stretchSkin', 'holdJaw', 'legsForeAndBack', ...restless(step, plan, dog), 'changeHands']
    case 'tidy':
      return ['toesPointed', 'holdJaw', 'stretchSkin', 'legsForeAndBack', 'changeHands']
    case 'clean':
      return today.fleas ? ['tubAfterFleas'] : []
    default:
      return []
  }
}

/** Every rinse but the conditioner's goes over the head where lather was on it, by the same hands. */
function rinsing(step: Step, { plan, dog, today }: AtHand): HowTo[] {
  const last = step.role === 'last'
  const washed = step.role !== 'conditioner' && (last || step.zones.includes('head'))
  const drops = dog.earCarriage !== 'erect' && step.zones.includes('ears')
  return [
    ...(last && today.fleas ? (['rinseFromRing'] as const) : []),
    ...(plan.rinse.tool === 'cup' ? (['testCup'] as const) : []),
    ...(washed ? headInWater(plan, dog) : []),
    ...(step.role === 'first' && today.soil === 'filthy' ? (['untilClear'] as const) : []),
    ...(step.role === 'conditioner' ? [] : (['soapHides'] as const)),
    ...(drops ? (['earLeather'] as const) : []),
  ]
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
    ? ['treatNow', 'ownCalm', ...(STOPS.has(step.kind) ? (['stopPoint'] as const) : [])]
    : []
  return [...new Set([...here, ...ofStep(step, at), ...small])]
}
