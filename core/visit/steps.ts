import { constants, practice } from '../constants'
import { isDouble, isLong, ZONE_NAMES, type Coat, type Dog, type Mood, type Stage, type Zone } from '../dog'
import type { DryingPlan } from '../drying'
import {
  blowOutMinutes,
  brushMinutes,
  cleanTubMinutes,
  combMinutes,
  conditionMinutes,
  handOverMinutes,
  latherMinutes,
  liftMinutes,
  lookMinutes,
  nailMinutes,
  setUpMinutes,
  squeezeMinutes,
  towelMinutes,
  washingOrder,
} from '../groomer'
import type { House } from '../house'
import { further, reckon, set, start, times, type Reckoned } from '../reckoned'
import type { RinsePlan } from '../rinse'
import { capital, list, say } from '../units'
import { wettingMinutes } from '../water'
import type { Today } from './schema'
import type { EarsPlan, Step } from './types'
import type { Mix, WashPlan } from './washes'

/** Pauses between the tub and the dryer. */
export const PAUSES = constants({
  shakeRest: practice(10, 'min', [5, 15]),
  shakeShort: practice(1, 'min', [0.5, 2]),
  conditionerRinse: practice(0.5, 'share of a finger run', [0.4, 1]),
  plug: practice(0.5, 'min'),
  restAbove: practice(350, 'g/m²'),
})

/** What the steps are made from. */
export interface StepFacts {
  dog: Dog
  today: Today
  house: House
  coat: Coat
  surface: number
  weightKg: number
  stage: Stage
  mood: Mood
  wash: WashPlan
  rinse: RinsePlan
  ears: EarsPlan
  drying: DryingPlan
  waterC: number
  hold: number
  headDry: boolean
  go: { bath: boolean }
}

type Draft = Omit<Step, 'zones' | 'hands' | 'withDog'> & Partial<Pick<Step, 'zones' | 'hands' | 'withDog'>>

const step = (draft: Draft): Step => ({ hands: true, withDog: true, zones: [], ...draft })

const zonesText = (zones: readonly Zone[]) => list(zones.map((z) => ZONE_NAMES[z]))

function preparation(f: StepFacts): Step[] {
  const { today, coat, surface, mood } = f
  const school = f.house.schools.S1
  const blow = school === 'blow' && isDouble(coat.coat) && today.shedding && f.stage !== 'puppy' && !f.dog.dryerShy
  const steps: Step[] = []
  if (blow && f.drying.choice.velocity) {
    const minutes = blowOutMinutes(surface, mood)
    steps.push(
      step({
        id: 'blow-out',
        title: 'Blow out',
        place: 'table',
        minutes,
        detail: 'Loose undercoat out with fast air and slicker, before water.',
      }),
    )
  }
  if (school !== 'straight' || today.matScore > 0) {
    const minutes = brushMinutes(coat, surface, today.matScore, mood)
    const done = blow && steps.length > 0
    if (minutes.value > 0 && !(done && today.matScore === 0)) {
      steps.push(
        step({
          id: 'brush',
          title: 'Brush out',
          place: 'table',
          minutes,
          detail:
            today.matScore > 0
              ? `Line by line to the skin; mats ${today.matScore} of 3 tighten when wet.`
              : 'Line by line to the skin.',
        }),
      )
    }
  }
  return steps
}

function lather(f: StepFacts, mix: Mix, index: number, last: boolean): Step {
  const order = washingOrder(f.house.schools.S3, f.today.fleas)
  const face = last && !f.headDry
  const zones = f.headDry ? order.filter((z) => z !== 'head' && z !== 'ears') : order
  const first = f.today.fleas ? 'A ring of lather round the neck first' : `${zonesText(zones.slice(0, 2))} first`
  return step({
    id: `lather-${index + 1}`,
    title: index === 0 ? 'Wash one' : index === 1 ? 'Wash two' : 'Wash three, body',
    place: 'tub',
    minutes: latherMinutes(f.coat, f.surface, face, f.mood),
    zones,
    detail: `${mix.product.name}, ${mix.spelled}, ${say(mix.volume.value, 0)} mL. ${capital(first)}${f.headDry ? '; the face by cloth' : ', head last'}.`,
  })
}

function washing(f: StepFacts): Step[] {
  const { rinse, wash } = f
  const steps: Step[] = []
  const passes = rinse.last.passes
  wash.washes.forEach((mix, i) => {
    const last = i === wash.washes.length - 1
    steps.push(lather(f, mix, i, last))
    if (mix.contact.value > 0) {
      steps.push(
        step({
          id: `wait-${i + 1}`,
          title: 'Stays on',
          place: 'tub',
          minutes: mix.contact,
          detail: `${mix.product.name}. Massage, comb or do the face meanwhile; towel over the back.`,
        }),
      )
    }
    const between = rinse.between[i]
    if (!last && between) {
      steps.push(
        step({
          id: `rinse-${i + 1}`,
          title: 'First rinse',
          place: 'tub',
          minutes: between.minutes,
          detail: `${say(between.litres, 0)} L. The loose dirt goes; it need not be perfect.`,
        }),
      )
    }
  })
  const head =
    f.house.schools.S15 === 'down' ? 'nose tipped down, water sent backwards' : 'chin up, water from behind the eyes'
  steps.push(
    step({
      id: 'rinse-last',
      title: 'Last rinse',
      place: 'tub',
      minutes: rinse.last.minutes,
      zones: ['head', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail'],
      detail: `${passes} passes, ${say(rinse.last.litres, 0)} L, ${f.headDry ? 'head by cloth' : head}. Armpits, groin, under the tail, behind the ears; fingers until nothing is slippery.`,
    }),
  )
  if (wash.conditioner) steps.push(...conditioning(f, wash.conditioner))
  return steps
}

function conditioning(f: StepFacts, mix: Mix): Step[] {
  const rinse = reckon(
    'min',
    start(`once over ${say(f.surface, 2)} m²`, f.surface / 0.25),
    times('rinsed through, not out', PAUSES.conditionerRinse.value),
  )
  return [
    step({
      id: 'condition',
      title: 'Conditioner',
      place: 'tub',
      minutes: conditionMinutes(f.coat, f.surface, f.mood),
      detail: `${mix.product.name}, ${mix.spelled}, ${say(mix.volume.value, 0)} mL. ${capital(f.wash.conditionerWhy)}. Combed through from the bottom up.`,
    }),
    step({
      id: 'wait-conditioner',
      title: 'Stays on',
      place: 'tub',
      minutes: mix.contact,
      detail: `${mix.product.name}. Away from the eyes.`,
    }),
    step({
      id: 'rinse-conditioner',
      title: 'Rinse',
      place: 'tub',
      minutes: rinse,
      detail: `Conditioner out, ${say(rinse.value * f.house.water.flow, 0)} L.`,
    }),
  ]
}

function shaking(f: StepFacts): Step {
  const rest = f.hold > PAUSES.restAbove.value && f.stage !== 'puppy' && !f.dog.thinSkin
  const minutes = reckon(
    'min',
    start('right after the rinse', PAUSES.shakeShort.value),
    rest && set('throws off more than the first towel takes, and rests the dog', PAUSES.shakeRest.value),
  )
  return step({
    id: 'shake',
    title: 'Shake and rest',
    place: 'crate',
    minutes,
    hands: !rest,
    detail: rest
      ? 'In a crate or clean room. Set the drying place up meanwhile.'
      : 'Let the dog shake, then straight into the towel.',
  })
}

function earStep(f: StepFacts): Step {
  const { left, right } = f.ears
  const say1 = (side: string, ear: EarsPlan['left']) => `${side}: ${earWords(ear)}`
  return step({
    id: 'ears',
    title: 'Ears',
    place: 'table',
    zones: ['ears'],
    minutes: f.ears.minutes,
    detail: `${say1('Left', left)}. ${say1('Right', right)}.`,
  })
}

/** What happens to one ear, in a few words. */
export function earWords(ear: EarsPlan['left']): string {
  if (ear.action === 'stop') return 'leave it, vet first'
  const thin = ear.thinHair ? 'thin the hair, then ' : ''
  if (ear.action === 'wipe') return `${thin}wipe the flap`
  const rounds = ear.rounds === 1 ? 'once' : `${ear.rounds} rounds`
  const then = ear.thenDry ? ', then dry it' : ''
  return `${thin}${ear.product} ${say(ear.millilitres?.value ?? 0)} mL, ${rounds}${then}`
}

function dryStep(f: StepFacts): Step {
  const { choice, zones, minutes } = f.drying
  const fan = choice.technique === 'fan'
  const names = fan
    ? choice.fan!.name
    : choice.velocity && choice.velocity !== choice.warm
      ? `${choice.velocity.name}, then ${choice.warm!.name}`
      : choice.warm!.name
  return step({
    id: 'dry',
    title: 'Dry',
    place: fan ? 'crate' : 'table',
    hands: !fan,
    minutes,
    zones: zones.map((z) => z.zone),
    detail: fan
      ? `${names}, unheated, in front of the wire crate. Look in often.`
      : `${names}. ${capital(zonesText(zones.slice(0, 2).map((z) => z.zone)))} first, head last. Part the hair to the skin in every zone.`,
  })
}

function half(minutes: Reckoned, what: string): Reckoned {
  return further(minutes, times(what, 0.5))
}

/** The ordered steps of a visit with their minutes. Without a bath only looking, ears, nails and handing over are left. */
export function visitSteps(f: StepFacts): Step[] {
  const { mood, ears, surface, coat } = f
  const { S6, S11 } = f.house.schools
  const lift = liftMinutes(f.weightKg, mood)
  const puppy = f.stage === 'puppy'
  const nails = step({
    id: 'nails',
    title: 'Nails',
    place: 'table',
    zones: ['feet'],
    minutes: nailMinutes(f.dog.feetShy, mood),
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
  if (!f.go.bath) return [look, earStep(f), ...(puppy ? [] : [nails]), handOver]

  const plugs = ears.plugs > 0
  const rest = shaking(f)
  const comb = combMinutes(coat, surface, mood)
  const towel = towelMinutes(f.drying.towels, f.house.chamois, mood)
  const steps: (Step | false)[] = [
    look,
    ...preparation(f),
    S11 === 'before' && !puppy && nails,
    S6 === 'before' && earStep(f),
    plugs &&
      step({
        id: 'plugs-in',
        title: 'Cotton in',
        place: 'table',
        zones: ['ears'],
        minutes: reckon('min', start(`${ears.plugs} plugs`, PAUSES.plug.value)),
        detail: `${ears.plugs} in: ${ears.plugsWhy}.`,
      }),
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
      detail: `${say(f.waterC)} °C, low pressure, head of the shower in the coat. Body first, head last.`,
    }),
    ...washing(f),
    step({
      id: 'squeeze',
      title: 'Squeeze',
      place: 'tub',
      minutes: squeezeMinutes(mood),
      detail: 'With the hands, from the top down.',
    }),
    plugs &&
      step({
        id: 'plugs-out',
        title: 'Cotton out',
        place: 'tub',
        zones: ['ears'],
        minutes: reckon('min', start(`${ears.plugs} plugs`, PAUSES.plug.value)),
        detail: `${ears.plugs} out. Count them.`,
      }),
    step({
      id: 'lift-out',
      title: 'Out of the tub',
      place: 'table',
      minutes: half(lift, 'out'),
      detail: 'Nothing drips.',
    }),
    rest,
    step({
      id: 'towel',
      title: 'Towel',
      place: 'table',
      minutes: towel,
      detail: coat.coat === 'smooth' ? 'Rub with and against the lie.' : 'Press and squeeze; rubbing makes knots.',
    }),
    S6 === 'between' && earStep(f),
    rest.hands &&
      step({
        id: 'set-up',
        title: 'Set up dryer',
        place: 'table',
        minutes: setUpMinutes(),
        detail: 'Brush, dry towels, dryer, treats to hand.',
      }),
    dryStep(f),
    S6 === 'after' && earStep(f),
    S11 === 'after' && !puppy && nails,
    comb.value > 0 &&
      step({
        id: 'comb',
        title: 'Comb through',
        place: 'table',
        minutes: comb,
        detail: isLong(coat.coat)
          ? 'To the skin, layer by layer. Any damp place is dried now.'
          : 'To the skin. Any damp place is dried now.',
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
