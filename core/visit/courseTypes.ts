import type { Zone } from '../dog'
import type { ProductKind, WhyNot } from '../mix'
import type { Code, Said } from '../said'
import type { StepName } from './stepName'

/** Why a step can't be left out. */
export type Needed = 'first' | 'lift' | 'water' | 'soap' | 'label' | 'plugs' | 'wet' | 'handOver' | 'tub'

declare module '../said' {
  interface Codes {
    'course.needed': { step: StepName; because: Needed }
    'course.order': { step: StepName; before: StepName }
    'course.inTub': { step: StepName }
    'course.outOfTub': { step: StepName }
    'course.plugged': { step: StepName }
    'course.wetCoat': { step: StepName }
    'course.wetDog': { step: StepName }
    'course.product': { step: StepName; product: string; why: WhyNot }
    'course.needsRinse': { step: StepName; product: string; kind: ProductKind }
    'course.gone': { step: StepName }
    'course.whole': { step: StepName }
    'course.half': None
    'course.you': { reason: string }
    'step.yours': None
    'step.withoutDog': None
    'step.putOn': { product: string; mL: number; zones: Zone[] }
  }
}

/** Why a change of the course of a visit can't be. */
export type CourseRefusal = Said<Extract<Code, `course.${string}`>>

/** A step that was left out: its minutes, and the groomer's reason. */
export interface LeftStep {
  id: string
  step: StepName
  minutes: number
  reason: string
}

/** A product that a step of the groomer's own puts on the coat, mL. */
export interface AppliedProduct {
  step: string
  id: string
  name: string
  mL: number
}

/** What the groomer changed in the course of a visit, and what couldn't be. */
export interface Course {
  left: LeftStep[]
  refused: CourseRefusal[]
  applied: AppliedProduct[]
}
