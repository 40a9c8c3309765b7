import { surfaceShare, ZONES, type Zone } from '../dog'
import { conditionMinutes, faceMinutes, latherMinutes, matMinutes, washingOrder } from '../groomer'
import type { Form, WhyChosen } from '../mix'
import { add, further } from '../reckoned'
import type { RinseTool } from '../rinse'
import type { Rules } from '../rules'
import { said } from '../said'
import { PAUSES, step, type StepFacts } from './stepFacts'
import type { Step } from './types'
import type { Mix, WashPass } from './washTypes'
import { leavesOut } from './schema'

/** A mix as a step tells of it: what, where (empty: all that is washed), how strong and how much (mL, a bar: g). */
export interface MixInBrief {
  product: string
  blend: string | null
  zones: Zone[]
  form: Form
  ratio: number
  amount: number
}

declare module '../said' {
  interface Codes {
    'step.put': { mixes: MixInBrief[] }
    'step.washFrom': { first: Zone[]; fleas: boolean; head: 'cloth' | 'last' | null }
    'step.around': { zones: Zone[] }
    'step.earsStayDry': None
    'step.standsOn': { products: { product: string; minutes: number }[] }
    'step.meanwhile': { face: boolean }
    'step.faceCloth': { folds: boolean }
    'step.faceWash': { folds: boolean }
    'step.looseDirt': { litres: number; untilClear?: boolean }
    'step.fromNeckRing': None
    'step.lastRinse': {
      passes: number
      litres: number
      head: Rules['headRinse'] | 'cloth'
      tool: RinseTool['kind']
      /** Plans made before there was a rule don't say. */
      from?: Rules['rinseOrder']
    }
    'step.soapHides': None
    'step.fingersLast': None
    'step.conditionerWhy': { why: WhyChosen }
    'step.combThrough': { mats: boolean }
    'step.awayFromEyes': { product: string }
    'step.conditionerOut': { litres: number }
    'stand.faceMeanwhile': None
    'stand.combedMeanwhile': None
  }
}

function briefOf(mix: Mix, washed: number): MixInBrief {
  return {
    product: mix.product.name,
    blend: mix.blend?.product.name ?? null,
    zones: mix.zones.length === washed ? [] : mix.zones,
    form: mix.product.form,
    ratio: mix.waterMl / Math.max(1e-9, mix.productMl + (mix.blend?.productMl ?? 0)),
    amount: mix.volume.value,
  }
}

function lather(f: StepFacts, pass: WashPass, index: number): Step {
  const washed = new Set(pass.mixes.flatMap((m) => m.zones))
  const order = washingOrder(f.rules.washingOrder, f.today.fleas).filter((z) => washed.has(z))
  const head = !f.face ? 'cloth' : order[order.length - 1] === 'head' ? 'last' : null
  const around = [...new Set(pass.mixes.flatMap((m) => (m.why.code === 'choose.around' ? m.why.facts.zones : [])))]
  return step({
    id: `lather-${index + 1}`,
    kind: 'wash',
    role: f.wash.passes.length === 1 ? 'only' : pass.name === 'conditioner' ? 'treat' : pass.name,
    pass: index + 1,
    place: 'tub',
    minutes: latherMinutes(f.coat, f.washed, f.mood, f.today.soil === 'filthy' && index === 0),
    zones: order,
    detail: [
      said('step.put', { mixes: pass.mixes.map((m) => briefOf(m, washed.size)) }),
      said('step.washFrom', { first: order.slice(0, 2), fleas: f.today.fleas, head }),
      ...(around.length > 0 ? [said('step.around', { zones: around })] : []),
      ...(washed.has('ears') ? [] : [said('step.earsStayDry')]),
    ],
  })
}

/** The face, at the end of the time that the shampoo stands; a cloth where water isn't wanted there. */
function faceStep(f: StepFacts): Step {
  const { folds } = f.dog
  return step({
    id: 'face',
    kind: 'face',
    ...(f.face ? {} : { role: 'cloth' as const }),
    place: 'tub',
    zones: ['head'],
    minutes: faceMinutes(f.face ? 'wash' : 'cloth', folds, f.mood),
    detail: [said(f.face ? 'step.faceWash' : 'step.faceCloth', { folds })],
  })
}

/** What is left of a contact time once something was done in it; nothing when that took all of it. */
function waiting(pass: WashPass, index: number, meanwhile: number): Step | undefined {
  const left = further(
    pass.wait,
    meanwhile > 0 && add('stand.faceMeanwhile', {}, -Math.min(meanwhile, pass.wait.value)),
  )
  if (left.value <= 0) return undefined
  const products = pass.mixes
    .filter((m) => m.contact.value > 0)
    .map((m) => ({ product: m.product.name, minutes: m.contact.value }))
  return step({
    id: `wait-${index + 1}`,
    kind: 'stand',
    role: 'shampoo',
    pass: index + 1,
    place: 'tub',
    minutes: left,
    detail: [said('step.standsOn', { products }), said('step.meanwhile', { face: meanwhile > 0 })],
  })
}

/** Zones as they are rinsed: the head first, or last by the house's rule; what was lathered against fleas from the neck ring backwards. */
function inRinseOrder({ rules, face, today }: StepFacts, zones: readonly Zone[]): Zone[] {
  const head = zones.filter((z) => (z === 'head' || z === 'ears') && (face || z === 'ears'))
  const body = zones.filter((z) => z !== 'head' && z !== 'ears')
  return rules.rinseOrder === 'headFirst' && !today.fleas ? [...head, ...body] : [...body, ...head]
}

function lastRinse(f: StepFacts): Step {
  const { last, tool } = f.rinse
  const body: Zone[] = ['neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail']
  const zones = inRinseOrder(f, ['head', 'ears', ...body]).filter((z) => f.zones.includes(z))
  return step({
    id: 'rinse-last',
    kind: 'rinse',
    role: 'last',
    place: 'tub',
    minutes: last.minutes,
    zones,
    detail: [
      ...(f.today.fleas ? [said('step.fromNeckRing')] : []),
      said('step.lastRinse', {
        passes: last.passes,
        litres: last.litres,
        head: f.face ? f.rules.headRinse : 'cloth',
        tool,
        from: f.rules.rinseOrder,
      }),
      said('step.soapHides'),
      ...(f.wash.conditioner ? [] : [said('step.fingersLast')]),
    ],
  })
}

function conditioning(f: StepFacts, mix: Mix): Step[] {
  const whole = mix.zones.length === ZONES.length
  const surface = f.surface * (whole ? 1 : surfaceShare(mix.zones))
  const mats = f.rules.smallMats === 'conditioner' ? matMinutes(f.today.mats, f.surface, (s) => s === 1) : []
  const minutes = conditionMinutes(f.coat, surface, f.mood, mats)
  const combed = Math.min(mix.contact.value, PAUSES.combedInContact.value * minutes.value)
  const stands = further(mix.contact, add('stand.combedMeanwhile', {}, -combed))
  const rinse = f.rinse.conditioner!
  const product = mix.product.name
  return [
    step({
      id: 'condition',
      kind: 'condition',
      pass: 'conditioner',
      place: 'tub',
      minutes,
      zones: mix.zones,
      detail: [
        said('step.put', { mixes: [briefOf(mix, ZONES.length)] }),
        said('step.conditionerWhy', { why: f.wash.conditionerWhy }),
        said('step.combThrough', { mats: mats.length > 0 }),
      ],
    }),
    ...(stands.value > 0
      ? [
          step({
            id: 'wait-conditioner',
            kind: 'stand',
            role: 'conditioner',
            pass: 'conditioner',
            place: 'tub',
            minutes: stands,
            detail: [said('step.awayFromEyes', { product })],
          }),
        ]
      : []),
    step({
      id: 'rinse-conditioner',
      kind: 'rinse',
      role: 'conditioner',
      pass: 'conditioner',
      place: 'tub',
      minutes: rinse.minutes,
      zones: mix.zones,
      detail: [said('step.conditionerOut', { litres: rinse.litres }), said('step.fingersLast')],
    }),
  ]
}

/** Everything between wetting and the hand squeeze. The face is done in the last minutes in which the last shampoo stands. */
export function washingSteps(f: StepFacts): Step[] {
  const { passes, conditioner } = f.wash
  const facePass =
    f.face && f.rules.washingOrder === 'face'
      ? 0
      : Math.max(
          0,
          passes.findIndex((p) => p.name === 'treat'),
        )
  const steps = passes.flatMap((pass, i): Step[] => {
    const face = i === facePass && !leavesOut(f.today, 'face') ? faceStep(f) : undefined
    const between = f.rinse.between[i]
    const rinse =
      between &&
      step({
        id: `rinse-${i + 1}`,
        kind: 'rinse',
        role: i === 0 ? 'first' : 'between',
        pass: i + 1,
        place: 'tub',
        minutes: between.minutes,
        zones: inRinseOrder(
          f,
          ZONES.filter((z) => pass.mixes.some((m) => m.zones.includes(z))),
        ),
        detail: [said('step.looseDirt', { litres: between.litres, untilClear: i === 0 && f.today.soil === 'filthy' })],
      })
    const wait = waiting(pass, i, face?.minutes.value ?? 0)
    // soap stands on no face: it comes last, and the rinse takes it off at once
    return [lather(f, pass, i), ...(wait ? [wait] : []), ...(face ? [face] : []), ...(rinse ? [rinse] : [])]
  })
  return [...steps, lastRinse(f), ...(conditioner ? conditioning(f, conditioner) : [])]
}
