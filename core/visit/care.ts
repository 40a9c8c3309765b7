import { hasUndercoat, type ClipTool } from '../dog'
import { canClip, clipMinutes, deShedMinutes, extraMinutes, HANDWORK, isSleek, tidyMinutes } from '../groomer'
import { further, times } from '../reckoned'
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

/** What a dog comes for beside its bath, on the dry coat: undercoat combed out, cut, tidied; teeth and glands where the house does them. */
export function careSteps(f: StepFacts): Step[] {
  const { today, coat, surface, mood, rules, puppy, clipFirst } = f
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
      minutes: clipFirst
        ? further(
            clipMinutes(clipFirst.coat, tool, cm, surface, mood),
            times('hands.afterRough', {}, HANDWORK.afterRough.value),
          )
        : clipMinutes(coat, tool, cm, surface, mood),
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
