import { meanMats } from '../dog'
import {
  cleanTubMinutes,
  combMinutes,
  handOverMinutes,
  liftMinutes,
  lookMinutes,
  nailMinutes,
  setUpMinutes,
  squeezeMinutes,
  towelMinutes,
} from '../groomer'
import { further, reckon, start, times, type Reckoned } from '../reckoned'
import { say } from '../units'
import { wettingMinutes } from '../water'
import { PAUSES, step, type StepFacts } from './stepFacts'
import { combDetail, dryingSteps, earStep, preparationSteps, shakeStep } from './tableSteps'
import { washingSteps } from './tubSteps'
import type { Step } from './types'

function half(minutes: Reckoned, what: string): Reckoned {
  return further(minutes, times(what, 0.5))
}

function plugStep(f: StepFacts, way: 'in' | 'out'): Step | false {
  const { plugs, plugsWhy } = f.ears
  if (plugs === 0) return false
  return step({
    id: `plugs-${way}`,
    title: `Cotton ${way}`,
    place: way === 'in' ? 'table' : 'tub',
    zones: ['ears'],
    minutes: reckon('min', start(`${plugs} plugs`, PAUSES.plug.value)),
    detail: way === 'in' ? `${plugs} in: ${plugsWhy}.` : `${plugs} out. Count them.`,
  })
}

/** The ordered steps of a visit with their minutes. Without a bath only looking, ears, nails and handing over are left. */
export function visitSteps(f: StepFacts): Step[] {
  const { mood, surface, coat, schools, dog } = f
  const lift = liftMinutes(f.weightKg, mood)
  const grown = f.stage !== 'puppy'
  const at = (where: 'before' | 'after', made: Step) => schools.S11 === where && grown && made
  const nails = step({
    id: 'nails',
    title: 'Nails',
    place: 'table',
    zones: ['feet'],
    minutes: nailMinutes(dog.fears.includes('feet'), mood),
    detail: 'A little at a time; stop before the quick.',
  })
  const look = step({
    id: 'look',
    title: 'Look over',
    place: 'table',
    minutes: lookMinutes(f.weightKg, mood),
    detail: 'Lumps, ticks, redness, mats, ears, eyes, nails. Fetch everything before the dog comes in.',
  })
  const handOver = step({
    id: 'hand-over',
    title: 'Hand over',
    place: 'door',
    minutes: handOverMinutes(),
    detail: 'What was found, home care, when again.',
  })
  if (!f.bath) return [look, earStep(f), ...(grown ? [nails] : []), handOver]

  const shake = shakeStep(f)
  const lateMats = schools.S18 === 'after' ? meanMats(f.today.mats, (score) => score === 1) : 0
  const comb = combMinutes(coat, surface, lateMats, mood)
  const steps: (Step | false)[] = [
    look,
    ...preparationSteps(f),
    at('before', nails),
    schools.S6 === 'before' && earStep(f),
    plugStep(f, 'in'),
    step({
      id: 'lift-in',
      title: 'Into the tub',
      place: 'tub',
      minutes: half(lift, 'in'),
      detail: 'Mat, restraint that slips free, a hand under the chest. Never left alone.',
    }),
    step({
      id: 'wet',
      title: 'Wet down',
      place: 'tub',
      minutes: wettingMinutes(coat, surface),
      detail: `${say(f.waterC)} °C, ${f.tool}, into the coat. Body first, head last.`,
    }),
    ...washingSteps(f),
    step({
      id: 'squeeze',
      title: 'Squeeze',
      place: 'tub',
      minutes: squeezeMinutes(mood),
      detail: 'With the hands, from the top down.',
    }),
    plugStep(f, 'out'),
    step({
      id: 'lift-out',
      title: 'Out of the tub',
      place: 'table',
      minutes: half(lift, 'out'),
      detail: 'Nothing drips.',
    }),
    shake,
    step({
      id: 'towel',
      title: 'Towel',
      place: 'table',
      minutes: towelMinutes(f.drying.towels, f.house.chamois, mood),
      detail: coat.coat === 'smooth' ? 'Rub with and against the lie.' : 'Press and squeeze; rubbing makes knots.',
    }),
    schools.S6 === 'between' && earStep(f),
    shake.hands &&
      step({
        id: 'set-up',
        title: 'Set up dryer',
        place: 'table',
        minutes: setUpMinutes(),
        detail: 'Brush, dry towels, dryer, treats to hand.',
      }),
    ...dryingSteps(f),
    schools.S6 === 'after' && earStep(f),
    at('after', nails),
    comb.value > 0 && step({ id: 'comb', title: 'Comb through', place: 'table', minutes: comb, detail: combDetail(f) }),
    dog.topknot &&
      step({
        id: 'topknot',
        title: 'Topknot',
        place: 'table',
        zones: ['head'],
        minutes: reckon('min', start('tied slightly damp', PAUSES.topknot.value)),
        detail: 'Slightly damp on purpose; the band is later cut, not pulled.',
      }),
    handOver,
    step({
      id: 'clean',
      title: 'Clean the tub',
      place: 'tub',
      withDog: false,
      minutes: cleanTubMinutes(f.today.fleas),
      detail: 'Hair trap, disinfect, towels to the wash, leftovers away.',
    }),
  ]
  return steps.filter((s): s is Step => s !== false)
}
