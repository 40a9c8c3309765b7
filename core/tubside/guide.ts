import type { Notice } from '../caution'
import { isDouble, isLong, ZONE_NAMES, type Dog, type Zone } from '../dog'
import { passWords, soapPlaces, type SoapPlace } from '../rinse'
import { capital, list } from '../units'
import { mixesOf, type Plan, type Step, type Today } from '../visit'
import { contactClock, type VisitRecord } from './record'

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

const LATHER = /^lather-(\d+)$/
const WAIT = /^wait-(\d+|conditioner)$/

/** Under which pass a step's zones are tapped: washes by their number, the conditioner after the last. */
export function passOf(step: Pick<Step, 'id'>, plan: Plan): number | undefined {
  const wash = LATHER.exec(step.id)?.[1]
  if (wash) return Number(wash)
  return step.id === 'condition' ? plan.mix.passes.length + 1 : undefined
}

/** Waits of a step that run side by side, each from its own last zone lathered; none for other steps. */
export function waitTimers(record: VisitRecord, plan: Plan, step: Pick<Step, 'id'>): WaitTimer[] {
  const which = WAIT.exec(step.id)?.[1]
  if (which === undefined) return []
  const conditioner = which === 'conditioner'
  const pass = conditioner ? plan.mix.passes.length + 1 : Number(which)
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
  for (const { id, title, minutes, after } of record.added) {
    const at = steps.findIndex((s) => s.id === after)
    const added: Step = {
      id,
      title,
      detail: 'Added on the way.',
      minutes: { value: minutes, unit: 'min', because: [] },
      place: steps[at]?.place ?? 'table',
      hands: true,
      withDog: true,
      zones: [],
    }
    steps.splice(at < 0 ? steps.length : at + 1, 0, added)
  }
  return steps
}

/** The next zones of a step to do, in its order: those not tapped yet. */
export function zonesToDo(record: VisitRecord, step: Step, plan: Plan): Zone[] {
  const pass = passOf(step, plan)
  if (pass !== undefined) return step.zones.filter((z) => record.lathered[pass]?.[z] === undefined)
  if (step.id === 'dry') return plan.drying.zones.map((z) => z.zone).filter((z) => !record.dry.includes(z))
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
        : (places.find((p) => p.zone === fingers) ?? { zone: fingers, words: ZONE_NAMES[fingers] }),
    feel: fingers === undefined && done >= plan.rinse.last.passes + slippery.length,
    clean,
  }
}

/** What to do now at a step, to be read across the tub or heard: the plan's words, and the last rinse pass by pass. */
export function sayNow(record: VisitRecord, step: Step, plan: Plan, dog: Pick<Dog, 'folds'>): string {
  if (step.id !== 'rinse-last') return step.detail
  const { done, of, places, again, feel, clean } = rinseState(record, plan, dog)
  if (clean) return 'Nothing slippery: rinsed.'
  if (again) return `Rinse again: ${again.words}. Then feel once more.`
  if (feel) return 'Fingers through the coat: is it slippery anywhere?'
  if (done === 0) return step.detail
  return `${capital(passWords(done + 1, of))}. Soap stays: ${list(places.map((p) => p.words))}.`
}

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
  if (step.id === 'rinse-last') {
    const { places, again, clean } = rinseState(record, plan, dog)
    const deep = (zone: Zone) => (clean ? 0 : again ? (zone === again.zone ? 1 : 0.3) : 0.7)
    return { depth: Object.fromEntries(places.map(({ zone }) => [zone, deep(zone)])), next: again?.zone }
  }
  if (passOf(step, plan) === undefined && !(step.id === 'dry' && step.hands)) return undefined
  const ahead = zonesToDo(record, step, plan)
  return { depth: Object.fromEntries(ahead.map((zone, i) => [zone, i === 0 ? 1 : 0.3])), next: ahead[0] }
}

/** What is asked once before a step is left: the fingers' check of the last rinse. Undefined when nothing is. */
export function askFirst(record: VisitRecord, step: Pick<Step, 'id'>): string | undefined {
  if (step.id !== 'rinse-last' || record.fingers === 'clean') return undefined
  return 'Fingers first: is the coat slippery anywhere? Say so here, or tap Done again to go on.'
}

const MINDS: Record<string, (notice: Notice) => boolean> = {
  tub: (n) => n.scope === 'water' || n.scope === 'skin' || n.scope === 'product',
  dry: (n) => n.scope === 'drying',
  lift: (n) => n.scope === 'groomer',
  ears: (n) => n.scope === 'left ear' || n.scope === 'right ear',
}

const ALWAYS: Record<string, string> = {
  tub: 'Never leave the dog alone in the tub. Test the water away from the dog.',
  dry: 'Keep the air moving; feel for heat with the free hand. Never a heated dryer on a closed crate.',
  lift: 'A live load shifts: bend the knees, hold close, two people when it is heavy.',
  ears: 'Only as far as you can see. Smell, pain or discharge: stop, the vet.',
  table: 'Never leave the dog alone on the table or with the loop on.',
}

function sceneOf({ id, place }: Step): string {
  if (id.startsWith('dry') || id === 'blow-out') return 'dry'
  if (id.startsWith('lift')) return 'lift'
  if (id === 'ears') return 'ears'
  return place === 'tub' ? 'tub' : 'table'
}

/** The one thing to mind at a step: a stop that touches it, else a caution of this dog's, else the usual one. */
export function mindNow(step: Step, plan: Plan): { level: 'stop' | 'caution' | 'usual'; text: string } {
  const scene = sceneOf(step)
  const fits = MINDS[scene] ?? (() => false)
  const stop = plan.stops.find((s) => fits(s) || s.scope === 'visit' || (s.scope === 'bath' && scene === 'tub'))
  if (stop) return { level: 'stop', text: `${stop.title}. ${stop.next}` }
  const early = step.id === 'look' ? plan.cautions.find((c) => c.scope === 'visit') : undefined
  const caution = early ?? plan.cautions.find((c) => fits(c))
  if (caution) return { level: 'caution', text: `${caution.title}. ${caution.next}` }
  return { level: 'usual', text: ALWAYS[scene]! }
}

/** Notes that fit a dog and a step, to be put down by one tap. */
export function phrasesFor(step: Pick<Step, 'id'>, dog: Dog, today: Today): string[] {
  const fearful = dog.fears.flatMap((fear) => [`Better with ${fear} than last time`, `Worse with ${fear} today`])
  const skin = today.skin.length > 0 ? ['Skin calmer than last time', 'Skin redder than last time'] : []
  const drying = step.id.startsWith('dry')
    ? ['Armpits stayed damp for long', 'Turned the dryer down', 'Dried better on a lower table']
    : []
  const coat = [
    isDouble(dog.coat) && 'Undercoat still coming out',
    isLong(dog.coat) && 'Small mats behind the ears',
    dog.coat === 'wire' && 'Coat kept crisp, little lather needed',
  ].filter((t): t is string => !!t)
  return [
    ...drying,
    ...fearful.slice(0, 4),
    ...skin,
    ...coat,
    'Stood well',
    'Needed a break',
    'Second pair of hands helped',
  ]
}

/** Steps that may be added on the way, with the minutes that are planned for each (estimates for Juvant). */
export const EXTRA_STEPS: readonly { title: string; minutes: number }[] = [
  { title: 'Wash the feet again', minutes: 4 },
  { title: 'Rinse once more', minutes: 3 },
  { title: 'One more towel', minutes: 1 },
  { title: 'Cut out a mat', minutes: 8 },
  { title: 'A break', minutes: 5 },
  { title: 'Dry damp places again', minutes: 6 },
]

/** Why a visit may be stopped early. */
export const STOP_REASONS = ['Dog too frightened', 'Dog unwell', 'Hurt, or skin not fit', 'No time left'] as const

const ALWAYS_LAST = ['hand-over', 'clean']

/**
 * What must still be done when a visit is stopped now, in order: soap is always rinsed out, plugs come out, a
 * wet dog is lifted out, towelled and kept warm. Everything else is left.
 */
export function safeEnd(record: VisitRecord, plan: Plan): string[] {
  const open = (id: string) => {
    const state = record.steps[id]?.state
    return state !== 'done' && state !== 'skipped'
  }
  const begun = (id: string) => record.steps[id]?.from !== undefined
  const soaped = mixesOf(plan).length > 0 && plan.steps.some((s) => /^(lather|condition)/.test(s.id) && begun(s.id))
  const wet = begun('wet') || soaped
  const conditioned = begun('condition')
  const { left, right } = record.plugs.water
  const must = (id: string) => {
    if (id === 'rinse-last') return soaped && !conditioned
    if (id === 'rinse-conditioner') return conditioned
    if (id === 'plugs-out') return left || right
    if (id === 'lift-out') return begun('lift-in') || wet
    if (id === 'towel') return wet
    return ALWAYS_LAST.includes(id) && (id !== 'clean' || wet)
  }
  return plan.steps.filter((s) => open(s.id) && must(s.id)).map((s) => s.id)
}
