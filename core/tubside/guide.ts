import type { Notice } from '../caution'
import { anySkin, hasUndercoat, isLong, skinMap, type Dog, type Fear, type Zone } from '../dog'
import { passOver, soapPlaces, type SoapPlace } from '../rinse'
import { said, type Code, type Said } from '../said'
import type { Memory, Plan, Step, Today } from '../visit'
import { earNow, earOver } from './earWork'
import { ownStep } from './outcome'
import { contactClock, zonesToFeel, type VisitRecord } from './record'

declare module '../said' {
  interface Codes {
    'now.rinsed': None
    'now.rinseAgain': { place: SoapPlace['place'] }
    'now.feel': None
    'now.pass': { over: ReturnType<typeof passOver>; places: SoapPlace['place'][] }
    'phrase.better': { fear: Fear }
    'phrase.worse': { fear: Fear }
    'phrase.skinCalmer': None
    'phrase.skinRedder': None
    'phrase.armpits': None
    'phrase.turnedDown': None
    'phrase.lowerTable': None
    'phrase.undercoat': None
    'phrase.smallMats': None
    'phrase.crisp': None
    'phrase.stoodWell': None
    'phrase.neededBreak': None
    'phrase.secondPair': None
  }
}

/** One product that is on the dog: how long it must stay, since when (ms), and the zones it is on. */
export interface WaitTimer {
  product: string
  minutes: number
  /** When the last of its zones was lathered, or the wait began where no zone was tapped. */
  from: number
  until: number
  /** Minutes that the first zone gets more than the last. */
  firstMore: number
}

/** Under which pass a step's zones are tapped: washes by their number, the conditioner after the last. */
export function passOf({ kind, pass }: Pick<Step, 'kind' | 'pass'>, plan: Plan): number | undefined {
  if (kind !== 'wash' && kind !== 'condition') return undefined
  return pass === 'conditioner' ? plan.mix.passes.length + 1 : pass
}

/** Waits of a step that run side by side, each from its own last zone lathered; none for other steps. */
export function waitTimers(record: VisitRecord, plan: Plan, step: Pick<Step, 'id' | 'kind' | 'pass'>): WaitTimer[] {
  if (step.kind !== 'stand' || step.pass === undefined) return []
  const conditioner = step.pass === 'conditioner'
  const pass = step.pass === 'conditioner' ? plan.mix.passes.length + 1 : step.pass
  const mixes = conditioner ? [plan.mix.conditioner!] : (plan.mix.passes[pass - 1]?.mixes ?? [])
  const began = record.steps[step.id]?.from
  return mixes.flatMap(({ product, zones, contact }): WaitTimer[] => {
    if (contact.value <= 0) return []
    const clock = contactClock(record, pass, zones, contact.value)
    const from = clock?.from ?? began
    if (from === undefined) return []
    const until = from + contact.value * 60_000
    return [
      {
        product: product.name,
        minutes: contact.value,
        from,
        until,
        firstMore: clock ? (clock.from - clock.first) / 60_000 : 0,
      },
    ]
  })
}

/** Steps of a visit as they stand: those added on the way come after the step they were added to. */
export function stepsNow(record: VisitRecord, plan: Plan): Step[] {
  const steps = [...plan.steps]
  for (const added of record.added) {
    const at = steps.findIndex((s) => s.id === added.after)
    steps.splice(at < 0 ? steps.length : at + 1, 0, ownStep(added, steps[at]?.place))
  }
  return steps
}

/** The next zones of a step to do, in its order: those not tapped yet. */
export function zonesToDo(record: VisitRecord, step: Step, plan: Plan): Zone[] {
  const pass = passOf(step, plan)
  if (pass !== undefined) return step.zones.filter((z) => record.lathered[pass]?.[z] === undefined)
  if (step.kind === 'dry' && step.role !== 'fast') return zonesToFeel(plan).filter((z) => !record.dry.includes(z))
  return []
}

/** How the last rinse stands: passes done of those wanted, the places that hold soap, and what comes next. */
export interface RinseState {
  done: number
  of: number
  places: SoapPlace[]
  /** Where the fingers found soap and it must be rinsed again. */
  again?: SoapPlace
  /** The passes are done: now the fingers say whether anything is slippery. */
  feel: boolean
  clean: boolean
}

/** The last rinse of a visit as it stands. Every place found slippery asks for one pass more. */
export function rinseState(record: VisitRecord, plan: Plan, dog: Pick<Dog, 'folds'>): RinseState {
  const { rinses: done, fingers, slippery } = record
  const places = soapPlaces(dog)
  const clean = fingers === 'clean'
  return {
    done,
    of: Math.max(plan.rinse.last.passes + slippery.length, clean ? done : 0),
    places,
    again:
      fingers === undefined || fingers === 'clean'
        ? undefined
        : (places.find((p) => p.zone === fingers) ?? { zone: fingers, place: fingers }),
    feel: fingers === undefined && done >= plan.rinse.last.passes + slippery.length,
    clean,
  }
}

/** What to do now at a step: the plan's statements, and the last rinse pass by pass. */
export function detailNow(
  record: VisitRecord,
  step: Step,
  plan: Plan,
  dog: Pick<Dog, 'folds'>,
): (Step['detail'][number] | Said<Extract<Code, `now.${string}`>>)[] {
  if (!isLastRinse(step)) return step.detail
  const { done, of, places, again, feel, clean } = rinseState(record, plan, dog)
  if (clean) return [said('now.rinsed')]
  if (again) return [said('now.rinseAgain', { place: again.place })]
  if (feel) return [said('now.feel')]
  if (done === 0) return step.detail
  return [said('now.pass', { over: passOver(done + 1, of), places: places.map((p) => p.place) })]
}

const isLastRinse = ({ kind, role }: Pick<Step, 'kind' | 'role'>) => kind === 'rinse' && role === 'last'

/** What the body's picture shows at a step: how deep each zone is tinted (0 to 1), and the next one to do. */
export interface StepPicture {
  depth: Partial<Record<Zone, number>>
  next?: Zone
}

/** The picture of a step that goes over the body: deep what comes next, pale what follows; none for other steps. */
export function pictureNow(
  record: VisitRecord,
  step: Step,
  plan: Plan,
  dog: Pick<Dog, 'folds'>,
): StepPicture | undefined {
  if (isLastRinse(step)) {
    const { places, again, clean } = rinseState(record, plan, dog)
    const deep = (zone: Zone) => (clean ? 0 : again ? (zone === again.zone ? 1 : 0.3) : 0.7)
    return { depth: Object.fromEntries(places.map(({ zone }) => [zone, deep(zone)])), next: again?.zone }
  }
  if (passOf(step, plan) === undefined && !(step.kind === 'dry' && step.hands && step.role !== 'fast')) return undefined
  const ahead = zonesToDo(record, step, plan)
  return { depth: Object.fromEntries(ahead.map((zone, i) => [zone, i === 0 ? 1 : 0.3])), next: ahead[0] }
}

/** What is asked once before a step is left: the fingers' check of the last rinse, ears with something left to do. */
export function asksFirst(
  record: VisitRecord,
  step: Pick<Step, 'kind' | 'role'>,
  { ears }: Pick<Plan, 'ears'>,
  now: number,
): 'fingers' | 'ears' | undefined {
  if (isLastRinse(step) && record.fingers !== 'clean') return 'fingers'
  const open = (side: 'left' | 'right') => !earOver(earNow(record.ears[side], ears[side], now))
  return step.kind === 'earClean' && (open('left') || open('right')) ? 'ears' : undefined
}

/** Where a step happens, as far as what to mind there goes. */
export type Scene = 'tub' | 'dry' | 'lift' | 'ears' | 'table'

const MINDS: Record<Scene, (notice: Notice) => boolean> = {
  tub: (n) => n.scope === 'water' || n.scope === 'skin' || n.scope === 'product',
  dry: (n) => n.scope === 'drying',
  lift: (n) => n.scope === 'groomer',
  ears: (n) => n.scope === 'left ear' || n.scope === 'right ear',
  table: () => false,
}

function sceneOf({ kind, place }: Step): Scene {
  if (kind === 'dry' || kind === 'blowOut') return 'dry'
  if (kind === 'liftIn' || kind === 'liftOut') return 'lift'
  if (kind === 'earClean') return 'ears'
  return place === 'tub' ? 'tub' : 'table'
}

/** The steps of a scene that follow on each other, up to one step: in the tub from lifting in to squeezing out. */
function sceneSoFar(steps: readonly Step[], step: Step): number {
  const scene = sceneOf(step)
  const end = steps.findIndex((s) => s.id === step.id)
  let from = end
  while (from > 0 && sceneOf(steps[from - 1]!) === scene) from--
  return end - from
}

/**
 * The one thing to mind at a step: a stop that touches it, always; else a caution of this dog's or the usual one of
 * the place, one at a time: the first at the first step of a scene, the next at the next, each once. Undefined when
 * everything was said.
 */
export function mindNow(
  step: Step,
  plan: Plan,
  steps: readonly Step[] = plan.steps,
): { notice: Notice } | { usual: Scene } | undefined {
  if (!step.withDog) return undefined
  const scene = sceneOf(step)
  const fits = MINDS[scene]
  const stop = plan.stops.find((s) => fits(s) || s.scope === 'visit' || (s.scope === 'bath' && scene === 'tub'))
  if (stop) return { notice: stop }
  const early = step.kind === 'look' ? plan.cautions.filter((c) => c.scope === 'visit') : []
  const cautions = [...early, ...plan.cautions.filter((c) => fits(c))]
  const nth = sceneSoFar(steps, step)
  if (cautions[nth]) return { notice: cautions[nth] }
  return nth === cautions.length ? { usual: scene } : undefined
}

/** What was noted of a step, or of the zone in hand, at the last visits; the newest first. */
export function notedBefore(
  { noted }: Pick<Memory, 'noted'>,
  step: Pick<Step, 'kind' | 'role'>,
  zone: Zone | undefined,
): Memory['noted'] {
  const fits = (n: Memory['noted'][number]) =>
    n.zone !== null ? n.zone === zone : n.step?.kind === step.kind && (n.step.role ?? '') === (step.role ?? '')
  return [...noted].reverse().filter(fits)
}

/** Every caution that touches a step, for whoever asks for more than the one to mind. */
export function cautionsAt(step: Step, plan: Plan): Notice[] {
  const fits = MINDS[sceneOf(step)]
  return plan.cautions.filter((c) => fits(c) || (step.kind === 'look' && c.scope === 'visit'))
}

/** Notes that fit a dog and a step, to be put down by one tap. */
export function phrasesFor(
  step: Pick<Step, 'kind'>,
  dog: Dog,
  today: Today,
): Said<Extract<Code, `phrase.${string}`>>[] {
  const fearful = dog.fears.flatMap((fear) => [said('phrase.better', { fear }), said('phrase.worse', { fear })])
  const skin = anySkin(skinMap(today)).length > 0 ? [said('phrase.skinCalmer'), said('phrase.skinRedder')] : []
  const drying =
    step.kind === 'dry' ? [said('phrase.armpits'), said('phrase.turnedDown'), said('phrase.lowerTable')] : []
  return [
    ...drying,
    ...fearful.slice(0, 4),
    ...skin,
    ...(hasUndercoat(dog) ? [said('phrase.undercoat')] : []),
    ...(isLong(dog.coat) ? [said('phrase.smallMats')] : []),
    ...(dog.coat === 'wire' ? [said('phrase.crisp')] : []),
    said('phrase.stoodWell'),
    said('phrase.neededBreak'),
    said('phrase.secondPair'),
  ]
}

/** Steps that may be added on the way, with the minutes that are planned for each (estimates for Juvant). */
export const EXTRA_STEPS = [
  { what: 'feetAgain', minutes: 4 },
  { what: 'rinseAgain', minutes: 3 },
  { what: 'towelMore', minutes: 1 },
  { what: 'cutMat', minutes: 8 },
  { what: 'break', minutes: 5 },
  { what: 'dampAgain', minutes: 6 },
] as const
/** A step that may be added on the way. */
export type ExtraStep = (typeof EXTRA_STEPS)[number]

/** Why a visit may be stopped early. */
export const STOP_REASONS = ['frightened', 'unwell', 'hurt', 'noTime'] as const
export type StopReason = (typeof STOP_REASONS)[number]

/**
 * What must still be done when a visit is stopped now, in order: soap is always rinsed out, plugs come out, a
 * wet dog is lifted out, towelled and kept warm. Everything else is left.
 */
export function safeEnd(record: VisitRecord, plan: Plan): string[] {
  const open = ({ id }: Step) => {
    const state = record.steps[id]?.state
    return state !== 'done' && state !== 'skipped'
  }
  const begun = (of: (step: Step) => boolean) => plan.steps.some((s) => of(s) && record.steps[s.id]?.from !== undefined)
  const soaped = begun((s) => s.kind === 'wash' || s.kind === 'condition')
  const wet = soaped || begun((s) => s.kind === 'wet')
  const conditioned = begun((s) => s.kind === 'condition')
  const { left, right } = record.plugs.water
  const must = ({ kind, role }: Step) => {
    switch (kind) {
      case 'rinse':
        return role === 'last' ? soaped && !conditioned : role === 'conditioner' && conditioned
      case 'plugOut':
        return left || right
      case 'liftOut':
        return wet || begun((s) => s.kind === 'liftIn')
      case 'towel':
      case 'clean':
        return wet
      default:
        return kind === 'handOver'
    }
  }
  return plan.steps.filter((s) => open(s) && must(s)).map((s) => s.id)
}
