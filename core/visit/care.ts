import { cutsAll, hasUndercoat, ZONES, type ClipTool, type Way, type Zone } from '../dog'
import { canClip, clipMinutes, deShedMinutes, extraMinutes, HANDWORK, isSleek, tidyMinutes } from '../groomer'
import { further, times } from '../reckoned'
import { said } from '../said'
import type { LeftOutWhat } from './short'
import { step, type StepFacts } from './stepFacts'
import type { Step } from './types'

declare module '../said' {
  interface Codes {
    'step.deShed': None
    'step.clip': { tool: ClipTool; cm: number | null }
    'step.cutWith': { cut: string; zones: Zone[] }
    'step.clipDry': None
    'step.clipDouble': None
    'step.clipWire': None
    'step.tidy': None
    'step.teeth': None
    'step.glands': None
  }
}

/** What a coat is cut with, each blade or comb with its zones, in the order of the body. */
export function cutsOf(cut: Way['cut']): { cut: string; zones: Zone[] }[] {
  const by = new Map<string, Zone[]>()
  for (const zone of ZONES) {
    const tool = cut[zone]
    if (tool !== undefined) by.set(tool, [...(by.get(tool) ?? []), zone])
  }
  return [...by].map(([tool, zones]) => ({ cut: tool, zones }))
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
  if (cutsAll(service) && canClip(coat.coat))
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
        ...(service === 'haircut' ? [said('step.clipDry')] : []),
        ...cutsOf(today.cut).map((c) => said('step.cutWith', c)),
        ...(coat.coat === 'long double' || coat.coat === 'short double' ? [said('step.clipDouble')] : []),
        ...(coat.coat === 'wire' ? [said('step.clipWire')] : []),
      ],
    })
  if (service === 'bathAndTidy' || (service === 'haircut' && !canClip(coat.coat)))
    at({
      id: 'tidy',
      kind: 'tidy',
      zones: ['head', 'feet', 'belly', 'tail'],
      minutes: tidyMinutes(coat, surface, mood),
      detail: [said('step.tidy')],
    })
  const extra = !puppy && f.short === undefined
  const due = (what: LeftOutWhat) => !f.leftOut.some((l) => l.what === what)
  if (extra && rules.teeth === 'yes' && due('teeth'))
    at({
      id: 'teeth',
      kind: 'teeth',
      zones: ['head'],
      minutes: extraMinutes('teeth', mood),
      detail: [said('step.teeth')],
    })
  if (extra && rules.glands === 'yes' && due('glands'))
    at({
      id: 'glands',
      kind: 'glands',
      zones: ['tail'],
      minutes: extraMinutes('glands', mood),
      detail: [said('step.glands')],
    })
  return steps
}
