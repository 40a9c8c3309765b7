import type { Direction, Nozzle } from '@core/drying'
import type { DropName } from '@core/handling'
import { NUMBERED_RULES } from '@core/rules'
import { METRIC } from '@core/units'
import type { StepName } from '@core/visit'

/** JSON of a record as it was stored. */
export type Stored = Record<string, unknown>

const isObject = (value: unknown): value is Stored =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const object = (value: unknown): Stored => (isObject(value) ? value : {})
const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])
const text = (value: unknown): string => (typeof value === 'string' ? value : '')

/** Words that were stored, as a statement that keeps them. */
const keptWords = (words: unknown) => ({ code: 'kept.words', facts: { text: text(words) } })

/** Rules from the numbers they were stored under to their names. */
export function upgradeRules(record: Stored): Stored {
  if (!('schools' in record)) return record
  const { schools, ...rest } = record
  const rules = Object.entries(object(schools)).flatMap(([id, choice]) =>
    NUMBERED_RULES[id] ? [[NUMBERED_RULES[id], choice]] : [],
  )
  return { ...rest, rules: { ...Object.fromEntries(rules), ...object(record.rules) } }
}

/** A house from before units could be chosen reads in metric ones, as it did. */
export const upgradeHouse = (record: Stored): Stored => ({ units: METRIC, ...upgradeRules(record) })

/** Every reckoned number below a value: its reasons' sentences become statements that keep them. */
function upgradeReasons(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(upgradeReasons)
  if (!isObject(value)) return value
  if (typeof value.fact === 'string' && typeof value.how === 'string') {
    const { fact, ...rest } = value
    const by = text(fact).startsWith('You:') ? 'you' : text(fact).startsWith('the log') ? 'log' : 'model'
    return { ...rest, ...keptWords(fact), by }
  }
  return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, upgradeReasons(v)]))
}

const STEPS: Record<string, StepName> = {
  look: { kind: 'look' },
  'blow-out': { kind: 'blowOut' },
  brush: { kind: 'brush' },
  nails: { kind: 'nails' },
  ears: { kind: 'earClean' },
  'plugs-in': { kind: 'plugIn' },
  'plugs-out': { kind: 'plugOut' },
  'lift-in': { kind: 'liftIn' },
  'lift-out': { kind: 'liftOut' },
  wet: { kind: 'wet' },
  'rinse-last': { kind: 'rinse', role: 'last' },
  'rinse-conditioner': { kind: 'rinse', role: 'conditioner' },
  'rinse-1': { kind: 'rinse', role: 'first' },
  'rinse-2': { kind: 'rinse', role: 'between' },
  condition: { kind: 'condition' },
  'wait-conditioner': { kind: 'stand', role: 'conditioner' },
  squeeze: { kind: 'squeeze' },
  shake: { kind: 'shake' },
  towel: { kind: 'towel' },
  'set-up': { kind: 'setUp' },
  'dry-fan': { kind: 'dry', role: 'fan' },
  comb: { kind: 'comb' },
  topknot: { kind: 'topknot' },
  'hand-over': { kind: 'handOver' },
  clean: { kind: 'clean' },
}
const WASHES: Record<string, StepName['role']> = {
  Wash: 'only',
  'Wash one': 'clean',
  'Wash two': 'treat',
  'Wash three, body': 'mild',
}
const NUMBERED = /^(lather|wait|rinse)-(\d+)$/

/** A step's kind, role and pass from the id and title it was stored with. */
function nameOfStep({ id, title, hands }: Stored): StepName & { pass?: number | 'conditioner' } {
  const known = STEPS[text(id)]
  const numbered = NUMBERED.exec(text(id))
  const pass = numbered ? Number(numbered[2]) : undefined
  if (numbered?.[1] === 'lather') return { kind: 'wash', role: WASHES[text(title)] ?? 'treat', pass }
  if (numbered?.[1] === 'wait') return { kind: 'stand', role: 'shampoo', pass }
  if (text(id) === 'dry') return hands === false ? { kind: 'dry', role: 'alone' } : { kind: 'dry' }
  if (!known) return { kind: 'own', name: text(title).slice(0, 60) }
  const conditioner = known.kind === 'condition' || known.role === 'conditioner'
  return { ...known, ...(conditioner ? { pass: 'conditioner' as const } : pass === undefined ? {} : { pass }) }
}

function upgradeStep(step: unknown): Stored {
  const { title, detail, ...rest } = object(step)
  return { ...rest, ...nameOfStep({ ...rest, title }), detail: detail ? [keptWords(detail)] : [] }
}

const named = (title: unknown): StepName => ({ kind: 'own', name: text(title).slice(0, 60) })

function upgradeNotice(notice: unknown): Stored {
  const { title, next, ...rest } = object(notice)
  const level = rest.level === 'stop' ? 'stop' : 'caution'
  return { ...rest, level, code: `${level}.kept`, facts: { title: text(title), next: text(next) } }
}

const DIRECTIONS: Record<string, Direction> = {
  'with the lie': 'withTheLie',
  'any direction, air at the skin': 'anyDirection',
  'any direction, air at the skin: it splits the coat': 'anyDirection',
  'brushed straight from the skin; what dries by itself stays crimped': 'straightFromSkin',
  'downwards with the lie, section by section': 'downTheLie',
  'flat on the body, with the lie': 'flatOnTheBody',
  'straight and downwards': 'straightDown',
  'cord by cord, squeezed first': 'cordByCord',
  'patted, not rubbed': 'patted',
  'away from the eyes, with the lie': 'awayFromEyes',
  'by itself; combed through now and then': 'byItself',
}
const NOZZLES: Record<string, Nozzle> = {
  none: 'none',
  off: 'off',
  'none: gentle air that pushes, not whips': 'gentle',
  'flat and wide': 'flat',
  wide: 'wide',
}

function upgradeZone(zone: unknown): Stored {
  const { advice, damp, setting, ...rest } = object(zone)
  const { direction, nozzle, caution } = object(advice)
  const by = setting === 'cloth' ? 'cloth' : setting === 'heat off' ? 'off' : 'warm'
  return {
    ...rest,
    by,
    setting: setting === 'cloth' ? 'heat off' : text(setting),
    velocityDistance: null,
    advice: {
      direction: DIRECTIONS[text(direction)] ?? 'withTheLie',
      nozzle: NOZZLES[text(nozzle)] ?? 'wide',
      mind: caution !== undefined,
    },
    ...(damp === undefined
      ? {}
      : { damp: { code: text(damp).includes('topknot') ? 'damp.topknot' : 'damp.cloth', facts: {} } }),
  }
}

function upgradeDrying(drying: Stored): Stored {
  const { others: _others, why, against, ...choice } = object(drying.choice)
  const total = Number(object(drying.minutes).value ?? 0)
  const hands = Number(drying.handMinutes ?? 0)
  return {
    ...drying,
    choice: { ...choice, lowForce: false, why: keptWords(why), ...(against ? { against: keptWords(against) } : {}) },
    others: [],
    zones: list(drying.zones).map(upgradeZone),
    aloneMinutes: Math.max(0, total - hands),
    reminders: list(drying.reminders).map(keptWords),
  }
}

function upgradeMix(mix: unknown): Stored {
  const { spelled: _spelled, why, others, ...rest } = object(mix)
  const upgraded = list(others).map((o) => ({ ...object(o), why: keptWords(object(o).why) }))
  return { ...rest, why: keptWords(why), others: upgraded }
}

function upgradeBottle(bottle: unknown): Stored {
  const { vessel: _vessel, filling, measured: _measured, ...rest } = object(bottle)
  const how = Number(rest.waterMl ?? 0) > 0 ? 'bottle' : object(rest.product).form === 'bar' ? 'bar' : 'neat'
  return { ...rest, how, filled: [], kept: text(filling) }
}

function upgradeWashes(mix: Stored): Stored {
  return {
    ...mix,
    passes: list(mix.passes).map((pass) => ({ ...object(pass), mixes: list(object(pass).mixes).map(upgradeMix) })),
    bottles: list(mix.bottles).map(upgradeBottle),
    ...(mix.conditioner ? { conditioner: upgradeMix(mix.conditioner) } : {}),
    conditionerWhy: keptWords(mix.conditionerWhy),
    refused: list(mix.refused).map((r) => ({ ...object(r), why: keptWords(object(r).why) })),
  }
}

function upgradeWater({ scald: _scald, ...water }: Stored, hotTapC: number): Stored {
  const { ok, hotShare, why } = object(water.tap)
  const celsius = Number(object(water.target).value ?? 0)
  const tap = ok === false ? { ok, hotShare: 1, celsius, why: keptWords(why) } : { ok: true, hotShare, celsius }
  return { ...water, tap, hotTapC }
}

const DROPS: Record<string, DropName> = {
  nails: 'nails',
  condition: 'conditioner',
  comb: 'comb',
  ears: 'ears',
  'lather-1': 'oneWash',
}

function upgradeHandling(handling: Stored): Stored {
  const { tool, pressure, muzzle, breaks, notes, drop, never: _never, ...rest } = handling
  const toolText = text(tool)
  return {
    ...rest,
    tool: toolText.startsWith('cup') ? 'cup' : toolText === 'shower' ? 'shower' : 'low',
    gentle: !text(pressure).startsWith('usual'),
    muzzle: muzzle !== undefined && muzzle !== null,
    breaks: text(breaks).startsWith('Every 10') ? 'everyTenMinutes' : 'atChanges',
    notes: list(notes).map(keptWords),
    drop: list(drop).map((d) => {
      const { what, steps, minutes } = object(d)
      const first = text(list(steps)[0])
      return { what: DROPS[first] ?? (text(what).includes('face') ? 'face' : 'dryer'), steps, minutes }
    }),
  }
}

const LIFTS: readonly [begins: string, advice: string][] = [
  ['Up the ramp', 'ramp'],
  ['Close to the body', 'alone'],
  ['The two of you', 'two'],
  ['Too much even', 'tooMuchForTwo'],
  ['Too much', 'tooMuchForOne'],
]

function upgradeEar(ear: unknown): Stored {
  const plan = object(ear)
  return { ...plan, because: list(plan.because).map((b) => (isObject(b) ? b : keptWords(b))) }
}

/** A plan whose statements were sentences, as one of codes that keep them. Its numbers stay as they were. */
export function upgradePlan(plan: Stored, hotTapC: number): Stored {
  if (Array.isArray(plan.leftOut)) return plan
  const old = object(upgradeReasons(plan))
  const ears = object(old.ears)
  const groomer = object(old.groomer)
  const lift = object(groomer.lift)
  const advice = LIFTS.find(([begins]) => text(lift.advice).startsWith(begins))?.[1] ?? 'alone'
  return {
    ...old,
    leftOut: [],
    chamois: false,
    mix: upgradeWashes(object(old.mix)),
    water: upgradeWater(object(old.water), hotTapC),
    rinse: { tool: 'shower', ...object(old.rinse) },
    ears: {
      ...ears,
      left: upgradeEar(ears.left),
      right: upgradeEar(ears.right),
      plugsWhy: keptWords(ears.plugsWhy),
    },
    drying: upgradeDrying(object(old.drying)),
    steps: list(old.steps).map(upgradeStep),
    groomer: { ...groomer, lift: { ...lift, advice } },
    handling: upgradeHandling(object(old.handling)),
    ladder: list(old.ladder).map((l) => {
      const { words: _words, drop: _drop, homework: _homework, ...rung } = object(l)
      return rung
    }),
    questions: list(old.questions).map((q) => ({ ...keptWords(object(q).text), field: object(q).field })),
    stops: list(old.stops).map(upgradeNotice),
    cautions: list(old.cautions).map(upgradeNotice),
  }
}

function upgradeMemory(memory: unknown): Stored {
  const old = object(memory)
  return {
    ...old,
    suited: list(old.suited).filter(isObject),
    happened: list(old.happened).map((h) => {
      const { step, ...rest } = object(h)
      return { ...rest, step: isObject(step) ? step : text(step) === '' ? null : named(step) }
    }),
  }
}

/** What a kept visit was reckoned from. */
export function upgradeInputs(inputs: Stored): Stored {
  return {
    ...inputs,
    dog: upgradeRules(object(inputs.dog)),
    house: upgradeHouse(object(inputs.house)),
    ...('memory' in inputs ? { memory: upgradeMemory(inputs.memory) } : {}),
  }
}

const FORMS = ['concentrate', 'neat', 'bar']

/** A visit as it went, its titles and reasons as statements. */
export function upgradeOutcome(outcome: Stored): Stored {
  if (isObject(outcome.quick)) return outcome
  return {
    ...outcome,
    quick: { ticked: 0, of: 0, learn: true },
    steps: list(outcome.steps).map((s) => {
      const { title, disturbed, ...rest } = object(s)
      const { pass: _pass, ...step } = nameOfStep({ id: rest.id, title, hands: true })
      return { ...rest, step, ...(disturbed ? { disturbed: keptWords(disturbed) } : {}) }
    }),
    zones: list(outcome.zones).map((z) => {
      const { aside, ...rest } = object(z)
      return { ...rest, ...(aside ? { aside: keptWords(aside) } : {}) }
    }),
    used: list(outcome.used).map((u) => ({ ...object(u), form: FORMS.find((f) => f === object(u).form) ?? FORMS[0] })),
  }
}

/** An ended visit in brief. */
export function upgradeBrief(brief: Stored): Stored {
  return {
    ...brief,
    happened: list(brief.happened).map((h) => {
      const { step, ...rest } = object(h)
      return { ...rest, step: isObject(step) ? step : text(step) === '' ? null : named(step) }
    }),
    skipped: list(brief.skipped).map((s) => (isObject(s) ? s : named(s))),
  }
}

/** Why minutes don't count, as JSON of a statement; null stays null. */
export const upgradeAside = (aside: string | null): string | null =>
  aside === null || aside.startsWith('{') ? aside : JSON.stringify(keptWords(aside))
