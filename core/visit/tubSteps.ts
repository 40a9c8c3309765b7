import { meanMats, ZONE_NAMES, ZONES } from '../dog'
import { conditionMinutes, latherMinutes, washingOrder } from '../groomer'
import { reckon, start, times } from '../reckoned'
import { RINSE } from '../rinse'
import { capital, list, say } from '../units'
import { PAUSES, step, type StepFacts } from './stepFacts'
import type { Step } from './types'
import { surfaceShare, zonesText } from './washes'
import type { Mix, WashPass } from './washTypes'

const TITLES = { clean: 'Wash one', treat: 'Wash two', mild: 'Wash three, body', conditioner: 'Conditioner' }

const amountOf = (mix: Mix) =>
  mix.product.form === 'bar' ? `${say(mix.volume.value, 0)} g` : `${say(mix.volume.value, 0)} mL`

function mixText(mix: Mix, alone: boolean): string {
  const where = alone ? '' : ` on ${zonesText(mix.zones)}`
  return `${mix.product.name}${where}, ${mix.spelled}, ${amountOf(mix)}`
}

function lather(f: StepFacts, pass: WashPass, index: number): Step {
  const washed = new Set(pass.mixes.flatMap((m) => m.zones))
  const order = washingOrder(f.schools.S3, f.today.fleas).filter((z) => washed.has(z))
  const first = f.today.fleas ? 'a ring of lather round the neck' : list(order.slice(0, 2).map((z) => ZONE_NAMES[z]))
  const head = !f.face ? '; the face by cloth' : order[order.length - 1] === 'head' ? ', head last' : ''
  const alone = pass.mixes.length === 1
  return step({
    id: `lather-${index + 1}`,
    title: f.wash.passes.length === 1 ? 'Wash' : TITLES[pass.name],
    place: 'tub',
    minutes: latherMinutes(f.coat, f.surface, washed.has('head'), f.mood),
    zones: order,
    detail: `${pass.mixes.map((m) => mixText(m, alone)).join('. ')}. ${capital(first)} first${head}.`,
  })
}

function waiting(pass: WashPass, index: number): Step {
  const products = pass.mixes.filter((m) => m.contact.value > 0)
  const side =
    products.length > 1
      ? `Side by side: ${products.map((m) => `${m.product.name} ${say(m.contact.value)} min`).join(', ')}.`
      : `${products[0]!.product.name}.`
  return step({
    id: `wait-${index + 1}`,
    title: 'Stays on',
    place: 'tub',
    minutes: pass.wait,
    detail: `${side} Massage, comb or do the face meanwhile; towel over the back.`,
  })
}

function lastRinse(f: StepFacts): Step {
  const { last } = f.rinse
  const head =
    f.schools.S15 === 'down' ? 'nose tipped down, water sent backwards' : 'chin up, water from behind the eyes'
  const direction = f.today.fleas ? 'From the neck ring backwards. ' : ''
  return step({
    id: 'rinse-last',
    title: 'Last rinse',
    place: 'tub',
    minutes: last.minutes,
    zones: ['head', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail'],
    detail: `${direction}${last.passes} passes, ${say(last.litres, 0)} L, ${f.face ? head : 'head by cloth'}. Armpits, groin, under the tail, behind the ears; fingers until nothing is slippery.`,
  })
}

function conditioning(f: StepFacts, mix: Mix): Step[] {
  const mats = f.schools.S18 === 'conditioner' ? meanMats(f.today.mats, (score) => score === 1) : 0
  const share = mix.zones.length === ZONES.length ? 1 : surfaceShare(mix.zones)
  const rinse = reckon(
    'min',
    start(`once over ${say(f.surface, 2)} m²`, f.surface / RINSE.fingers.value),
    times('rinsed through, not out', PAUSES.conditionerRinse.value),
    times(`only ${zonesText(mix.zones)}`, share),
  )
  return [
    step({
      id: 'condition',
      title: 'Conditioner',
      place: 'tub',
      minutes: conditionMinutes(f.coat, f.surface * share, mats, f.mood),
      zones: mix.zones,
      detail: `${mixText(mix, share === 1)}. ${capital(f.wash.conditionerWhy)}. Combed through from the bottom up${mats > 0 ? '; the small mats open now' : ''}.`,
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

/** Everything between wetting and the hand squeeze. */
export function washingSteps(f: StepFacts): Step[] {
  const { passes, conditioner } = f.wash
  const steps = passes.flatMap((pass, i): Step[] => {
    const between = f.rinse.between[i]
    const rinse =
      between &&
      step({
        id: `rinse-${i + 1}`,
        title: i === 0 ? 'First rinse' : 'Rinse between',
        place: 'tub',
        minutes: between.minutes,
        detail: `${say(between.litres, 0)} L. The loose dirt goes; it need not be perfect.`,
      })
    return [lather(f, pass, i), ...(pass.wait.value > 0 ? [waiting(pass, i)] : []), ...(rinse ? [rinse] : [])]
  })
  return [...steps, lastRinse(f), ...(conditioner ? conditioning(f, conditioner) : [])]
}
