import { hasUndercoat, type ClipTool, type CoatType } from '../dog'
import { clipMinutes, deShedMinutes, extraMinutes, isSleek, tidyMinutes } from '../groomer'
import { said } from '../said'
import { step, type StepFacts } from './stepFacts'
import type { Step } from './types'

declare module '../said' {
  interface Codes {
    'step.deShed': None
    'step.clip': { tool: ClipTool; cm: number | null }
    'step.clipDouble': None
    'step.clipWire': None
    'step.tidy': None
    'step.teeth': None
    'step.glands': None
  }
}

/** Coats with nothing to cut. */
const UNCUT: readonly CoatType[] = ['smooth', 'hairless', 'corded']
/** Whether a coat can be cut all over. */
export const canClip = (coat: CoatType): boolean => !UNCUT.includes(coat)

/** What a dog comes for beside its bath, on the dry coat: undercoat combed out, cut, tidied; teeth and glands where the house does them. */
export function careSteps(f: StepFacts): Step[] {
  const { today, coat, surface, mood, rules, puppy } = f
  const { service, clipCm: cm, clipTool: tool } = today
  const steps: Step[] = []
  const at = (made: Omit<Step, 'place' | 'hands' | 'withDog' | 'zones'> & Partial<Pick<Step, 'zones'>>) =>
    steps.push(step({ place: 'table', ...made }))
  if (service === 'deShed' && hasUndercoat(f.dog) && !isSleek(coat.coat))
    at({ id: 'de-shed', kind: 'deShed', minutes: deShedMinutes(coat, surface, mood), detail: [said('step.deShed')] })
  if (service === 'fullClip' && canClip(coat.coat))
    at({
      id: 'clip',
      kind: 'clip',
      minutes: clipMinutes(coat, tool, cm, surface, mood),
      detail: [
        said('step.clip', { tool, cm }),
        ...(coat.coat === 'long double' || coat.coat === 'short double' ? [said('step.clipDouble')] : []),
        ...(coat.coat === 'wire' ? [said('step.clipWire')] : []),
      ],
    })
  if (service === 'bathAndTidy')
    at({
      id: 'tidy',
      kind: 'tidy',
      zones: ['head', 'feet', 'belly', 'tail'],
      minutes: tidyMinutes(coat, surface, mood),
      detail: [said('step.tidy')],
    })
  const extra = !puppy && f.short === undefined
  if (extra && rules.teeth === 'yes')
    at({
      id: 'teeth',
      kind: 'teeth',
      zones: ['head'],
      minutes: extraMinutes('teeth', mood),
      detail: [said('step.teeth')],
    })
  if (extra && rules.glands === 'yes')
    at({
      id: 'glands',
      kind: 'glands',
      zones: ['tail'],
      minutes: extraMinutes('glands', mood),
      detail: [said('step.glands')],
    })
  return steps
}
