import {
  cleanTubMinutes,
  handOverMinutes,
  liftMinutes,
  lookMinutes,
  nailMinutes,
  setUpMinutes,
  squeezeMinutes,
  towelMinutes,
} from '../groomer'
import { reckon, start, times, further, withOwn, type Reckoned } from '../reckoned'
import type { RinseTool } from '../rinse'
import type { Rules } from '../rules'
import { said } from '../said'
import { wettingMinutes } from '../water'
import { careSteps } from './care'
import { finishSteps } from './finishing'
import { ownMinutes } from './gather'
import { PAUSES, step, type StepFacts } from './stepFacts'
import { combStep, dryingSteps, earStep, preparationSteps, shakeStep } from './tableSteps'
import { washingSteps } from './tubSteps'
import type { EarsPlan, Step } from './types'

declare module '../said' {
  interface Codes {
    'step.plugsIn': { plugs: number; why: EarsPlan['plugsWhy'] }
    'step.plugsOut': { plugs: number }
    'step.nails': { tips: boolean }
    'step.look': None
    'step.handOver': None
    'step.liftIn': None
    'step.wet': { celsius: number; tool: RinseTool['kind']; gentle: boolean; head: Rules['headWet'] | 'cloth' }
    'step.lowerHalf': None
    'step.squeeze': { cords: boolean }
    'step.liftOut': None
    'step.towel': { rub: boolean; chamois: boolean }
    'step.setUp': None
    'step.topknot': None
    'step.cleanTub': None
    'plug.each': { plugs: number }
    'lift.way': { way: 'in' | 'out' }
    'topknot.tied': None
  }
}

function half(minutes: Reckoned, way: 'in' | 'out'): Reckoned {
  return further(minutes, times('lift.way', { way }, 0.5))
}

function plugStep(f: StepFacts, way: 'in' | 'out'): Step | false {
  const { plugs, plugsWhy: why } = f.ears
  if (plugs === 0) return false
  return step({
    id: `plugs-${way}`,
    kind: way === 'in' ? 'plugIn' : 'plugOut',
    place: way === 'in' ? 'table' : 'tub',
    zones: ['ears'],
    minutes: reckon('min', start('plug.each', { plugs }, PAUSES.plug.value)),
    detail: [way === 'in' ? said('step.plugsIn', { plugs, why }) : said('step.plugsOut', { plugs })],
  })
}

/** Nails, unless a short visit leaves them for another day; a puppy's tips only. */
function nailStep(f: StepFacts): Step | false {
  if (f.leftOut.some((l) => l.what === 'nails')) return false
  return step({
    id: 'nails',
    kind: 'nails',
    place: 'table',
    zones: ['feet'],
    minutes: nailMinutes(f.dog.fears.includes('feet'), f.mood, f.puppy),
    detail: [said('step.nails', { tips: f.puppy })],
  })
}

/** The ordered steps of a visit with their minutes. Without a bath only looking, ears, nails and handing over are left. */
export function visitSteps(f: StepFacts): Step[] {
  const { mood, washed, coat, rules, dog } = f
  const lift = liftMinutes(f.weightKg, mood)
  const nails = nailStep(f)
  const at = (where: 'before' | 'after') => rules.nails === where && nails
  const look = step({
    id: 'look',
    kind: 'look',
    place: 'table',
    minutes: lookMinutes(f.weightKg, mood),
    detail: [said('step.look')],
  })
  const handOver = step({
    id: 'hand-over',
    kind: 'handOver',
    place: 'door',
    minutes: handOverMinutes(),
    detail: [said('step.handOver')],
  })
  const withOwnMinutes = (made: Step): Step => {
    const own = ownMinutes(f.today, made.id)
    return own ? { ...made, minutes: withOwn(made.minutes, own) } : made
  }
  const whole = (steps: (Step | false)[]) => steps.filter((s): s is Step => s !== false).map(withOwnMinutes)
  if (!f.bath && f.today.service === 'own') return whole([look, handOver])
  if (!f.bath && f.today.service === 'haircut' && f.sound)
    return whole([look, ...preparationSteps(f), earStep(f), ...careSteps(f), nails, handOver])
  if (!f.bath) return whole([look, earStep(f), nails, handOver])
  const shake = shakeStep(f)
  const sleek = coat.coat === 'smooth'
  return whole([
    look,
    ...preparationSteps(f),
    at('before'),
    rules.earsWhen === 'before' && earStep(f),
    plugStep(f, 'in'),
    step({ id: 'lift-in', kind: 'liftIn', place: 'tub', minutes: half(lift, 'in'), detail: [said('step.liftIn')] }),
    step({
      id: 'wet',
      kind: 'wet',
      place: 'tub',
      minutes: wettingMinutes(coat, washed, f.tool.kind === 'cup'),
      detail: [
        said('step.wet', {
          celsius: f.waterC,
          tool: f.tool.kind,
          gentle: f.handling.gentle,
          head: f.face ? rules.headWet : 'cloth',
        }),
        ...(f.washed < f.surface ? [said('step.lowerHalf')] : []),
      ],
    }),
    ...washingSteps(f),
    step({
      id: 'squeeze',
      kind: 'squeeze',
      place: 'tub',
      minutes: squeezeMinutes(coat, washed, mood),
      detail: [said('step.squeeze', { cords: coat.coat === 'corded' })],
    }),
    plugStep(f, 'out'),
    step({
      id: 'lift-out',
      kind: 'liftOut',
      place: 'table',
      minutes: half(lift, 'out'),
      detail: [said('step.liftOut')],
    }),
    shake,
    step({
      id: 'towel',
      kind: 'towel',
      place: 'table',
      minutes: towelMinutes(f.drying.towels, f.house.chamois, mood),
      detail: [said('step.towel', { rub: sleek, chamois: f.house.chamois })],
    }),
    rules.earsWhen === 'between' && earStep(f),
    ...finishSteps(f.finishing, 'towelled'),
    shake.hands &&
      f.drying.handMinutes > 0 &&
      step({ id: 'set-up', kind: 'setUp', place: 'table', minutes: setUpMinutes(), detail: [said('step.setUp')] }),
    ...dryingSteps(f),
    rules.earsWhen === 'after' && earStep(f),
    at('after'),
    combStep(f),
    ...careSteps(f),
    dog.topknot &&
      step({
        id: 'topknot',
        kind: 'topknot',
        place: 'table',
        zones: ['head'],
        minutes: reckon('min', start('topknot.tied', {}, PAUSES.topknot.value)),
        detail: [said('step.topknot')],
      }),
    ...finishSteps(f.finishing, 'end'),
    handOver,
    step({
      id: 'clean',
      kind: 'clean',
      place: 'tub',
      withDog: false,
      minutes: cleanTubMinutes(f.today.fleas),
      detail: [said('step.cleanTub')],
    }),
  ])
}
