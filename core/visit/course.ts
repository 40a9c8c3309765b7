import { surfaceShare, type AddedStep } from '../dog'
import { labelForbids, type ChoiceFacts, type ShelvedProduct } from '../mix'
import { further, reckon, start, times } from '../reckoned'
import { said } from '../said'
import type { AppliedProduct, Course, CourseRefusal, Needed } from './courseTypes'
import { SPREAD } from './applied'
import type { Today } from './schema'
import type { StepKind, StepName } from './stepName'
import { step } from './stepFacts'
import type { Step } from './types'

/** What may stand for itself in the course of a visit without being a step of it: the first of several washes. */
export const FIRST_WASH = 'first-wash'

/** What holds the water's part of a visit together: these keep their order. */
const CHAIN: readonly StepKind[] = [
  'plugIn',
  'liftIn',
  'wet',
  'wash',
  'stand',
  'rinse',
  'condition',
  'squeeze',
  'plugOut',
  'liftOut',
  'shake',
  'towel',
  'leaveIn',
  'setUp',
  'dry',
]
/** Work on a dry coat: before the water or after the dryer, never between. */
const DRY_COAT: readonly StepKind[] = ['brush', 'blowOut', 'comb', 'deShed', 'clip', 'tidy', 'finish']
/** Before the water only, and after the dryer only. */
const BEFORE: readonly StepKind[] = ['brush', 'blowOut']
const AFTER: readonly StepKind[] = ['comb', 'topknot', 'finish']

const NEEDED: Partial<Record<StepKind, Needed>> = {
  look: 'first',
  liftIn: 'lift',
  liftOut: 'lift',
  wet: 'water',
  wash: 'water',
  rinse: 'soap',
  stand: 'label',
  plugOut: 'plugs',
  towel: 'wet',
  dry: 'wet',
  handOver: 'handOver',
  clean: 'tub',
}
/** Work that can be broken off and taken up again. */
const PARTED: readonly StepKind[] = ['brush', 'blowOut', 'comb', 'deShed', 'clip', 'tidy', 'nails', 'own']

const nameOf = ({ kind, role, name }: Step): StepName => ({ kind, role, name })

/** Whether a step may be left out; why not otherwise. */
export function whyNeeded(step: Step): CourseRefusal | undefined {
  const because = NEEDED[step.kind]
  return because && said('course.needed', { step: nameOf(step), because })
}

/** Whether a step can be done in two halves. */
export const canSplit = ({ kind, hands, minutes, half }: Step): boolean =>
  PARTED.includes(kind) && hands && half === undefined && minutes.value > 1

/**
 * The first thing that is wrong with an order of steps: what the water needs in its order, tub work in the tub and
 * the rest out of it, work on a dry coat on a dry coat, the look first and the hand-over last; undefined when it can
 * be worked so. `base` is the order that was reckoned.
 */
export function faultIn(steps: readonly Step[], base: readonly Step[]): CourseRefusal | undefined {
  const at = (kind: StepKind, from: readonly Step[] = steps) => from.findIndex((s) => s.kind === kind)
  const lastDry = steps.findLastIndex((s) => s.kind === 'dry')
  const [wet, into, out, plugged] = [at('wet'), at('liftIn'), at('liftOut'), at('plugIn')]
  const chain = base.filter((s) => CHAIN.includes(s.kind)).map((s) => s.id)
  let reached = -1
  for (const [i, s] of steps.entries()) {
    const name = nameOf(s)
    const place = chain.indexOf(s.id)
    if (place >= 0) {
      if (place < reached)
        return said('course.order', { step: name, before: nameOf(base.find((b) => b.id === chain[reached])!) })
      reached = place
    }
    if (s.kind === 'look' && i > 0) return said('course.order', { step: name, before: nameOf(steps[0]!) })
    if (s.withDog && at('handOver') >= 0 && i > at('handOver'))
      return said('course.order', { step: name, before: nameOf(steps[at('handOver')]!) })
    if (s.kind === 'own' && !s.withDog && into >= 0 && i > into && i < Math.max(out, lastDry))
      return said('course.wetDog', { step: name })
    if (into >= 0) {
      const inTub = i >= into && i < out
      if (s.withDog && s.place === 'tub' && !inTub && s.kind !== 'liftOut')
        return said('course.outOfTub', { step: name })
      if (s.withDog && s.place !== 'tub' && inTub) return said('course.inTub', { step: name })
      if (s.kind === 'clean' && i < out) return said('course.order', { step: nameOf(steps[out]!), before: name })
      if (s.kind === 'face' && (i < wet || i > steps.findLastIndex((r) => r.kind === 'rinse')))
        return said('course.outOfTub', { step: name })
      if (s.kind === 'earClean' && plugged >= 0 && i > plugged && i < at('plugOut'))
        return said('course.plugged', { step: name })
      if (BEFORE.includes(s.kind) && i > wet) return said('course.order', { step: nameOf(steps[wet]!), before: name })
      if (AFTER.includes(s.kind) && i < lastDry)
        return said('course.order', { step: name, before: nameOf(steps[lastDry]!) })
      if (DRY_COAT.includes(s.kind) && i > wet && i < lastDry) return said('course.wetCoat', { step: name })
    } else if (s.place === 'tub' && s.withDog) return said('course.outOfTub', { step: name })
  }
  return undefined
}

/** Steps with one of them put right after another. */
function withMoved(steps: readonly Step[], id: string, after: string): Step[] | undefined {
  const moving = steps.find((s) => s.id === id)
  const rest = steps.filter((s) => s.id !== id)
  const at = rest.findIndex((s) => s.id === after)
  return moving && at >= 0 ? [...rest.slice(0, at + 1), moving, ...rest.slice(at + 1)] : undefined
}

/** The steps after which a step may be done, in order; where it stands now is one of them. */
export function placesFor(id: string, steps: readonly Step[], base: readonly Step[] = steps): string[] {
  return steps
    .filter((s) => s.id !== id)
    .filter((s) => {
      const tried = withMoved(steps, id, s.id)
      return tried !== undefined && faultIn(tried, base) === undefined
    })
    .map((s) => s.id)
}

const halved = (whole: Step): Step[] => {
  const part = (id: string, half: 1 | 2): Step => ({
    ...whole,
    id,
    half,
    minutes: further(whole.minutes, times('course.half', {}, 0.5)),
    ...(whole.model === undefined ? {} : { model: whole.model / 2 }),
    likely: undefined,
  })
  return [part(whole.id, 1), part(`${whole.id}-b`, 2)]
}

/** What a step of one's own may put on the coat: what stays there, by its label and the dog's allergies. */
function applied(
  own: AddedStep,
  made: Step,
  facts: CourseFacts,
): { refused?: CourseRefusal; product?: AppliedProduct } {
  if (own.productId === null || !own.dog) return {}
  const product = facts.products.find((p) => p.id === own.productId)
  if (!product) return {}
  const spread = SPREAD[product.kind]
  if (spread === undefined)
    return {
      refused: said('course.needsRinse', { step: nameOf(made), product: product.name, kind: product.kind }),
    }
  const why = labelForbids(product, facts)
  if (why) return { refused: said('course.product', { step: nameOf(made), product: product.name, why }) }
  const share = own.zones.length > 0 ? surfaceShare(own.zones) : 1
  return { product: { step: made.id, id: product.id, name: product.name, mL: spread * facts.surface * share } }
}

/** What the course of a visit is changed with. Surface m². */
export interface CourseFacts extends Pick<ChoiceFacts, 'ageWeeks' | 'puppy' | 'allergies' | 'date'> {
  today: Today
  products: readonly ShelvedProduct[]
  surface: number
  /** What the reckoned steps put on the coat. */
  applied?: readonly AppliedProduct[]
}

const ownStepOf = (own: AddedStep, product: AppliedProduct | undefined): Step =>
  step({
    id: own.id,
    kind: 'own',
    name: own.name,
    place: own.place,
    hands: own.hands || !own.dog,
    withDog: own.dog,
    zones: own.zones,
    minutes: reckon('min', { ...start('course.you', { reason: '' }, own.minutes), by: 'you' }),
    detail: product
      ? [said('step.putOn', { product: product.name, mL: product.mL, zones: own.zones })]
      : [said(own.dog ? 'step.yours' : 'step.withoutDog')],
  })

/**
 * The reckoned steps of a visit as the groomer wants them: some in two halves, own ones between them, some
 * elsewhere, some left out. What can't be is left as it was and told: nothing that the water, the label or the dog's
 * safety asks for is ever dropped or put before what it needs.
 */
export function courseOf(reckoned: readonly Step[], facts: CourseFacts): { steps: Step[]; course: Course } {
  const { today } = facts
  const course: Course = { left: [], refused: [], applied: [...(facts.applied ?? [])] }
  const refuse = (why: CourseRefusal) => course.refused.push(why)
  let steps: Step[] = reckoned.flatMap((s) => {
    if (!today.split.includes(s.id)) return [s]
    if (canSplit(s)) return halved(s)
    refuse(said('course.whole', { step: nameOf(s) }))
    return [s]
  })
  const base = steps
  for (const own of today.added) {
    const bare = ownStepOf(own, undefined)
    const { refused, product } = applied(own, bare, facts)
    if (refused) {
      refuse(refused)
      continue
    }
    const made = ownStepOf(own, product)
    const last = steps.findIndex((s) => s.kind === 'handOver')
    const found = steps.findIndex((s) => s.id === own.after)
    const at = found >= 0 ? found + 1 : last >= 0 ? last : steps.length
    const tried = [...steps.slice(0, at), made, ...steps.slice(at)]
    const fault = faultIn(tried, base)
    if (fault) refuse(fault)
    else {
      steps = tried
      if (product) course.applied.push(product)
    }
  }
  for (const { step: id, after } of today.moved) {
    const moving = steps.find((s) => s.id === id)
    if (!moving) continue
    const tried = withMoved(steps, id, after)
    const fault = tried ? faultIn(tried, base) : said('course.gone', { step: nameOf(moving) })
    if (fault) refuse(fault)
    else steps = tried!
  }
  for (const { step: id, reason } of today.skipped) {
    const leaving = steps.find((s) => s.id === id)
    if (!leaving) continue
    const needed = whyNeeded(leaving)
    if (needed) {
      refuse(needed)
      continue
    }
    steps = steps.filter((s) => s !== leaving)
    course.applied = course.applied.filter((a) => a.step !== id)
    course.left.push({ id, step: nameOf(leaving), minutes: leaving.minutes.value, reason })
  }
  return { steps, course }
}
