import { isCleared } from '../caution'
import { constants, practice } from '../constants'
import { bathes, firstSkin, LOWER, ZONES, type EarLook, type Skin, type Zone } from '../dog'
import { planDrying, type DryingFacts, type DryingPlan } from '../drying'
import { bothEars, decideEar } from '../ears'
import { noiseDose, paceFactor, planLift, protection } from '../groomer'
import { largestCrate, type House } from '../house'
import { labelForbids, type ShelvedProduct } from '../mix'
import { add, reckon, start, sum, type Reckoned } from '../reckoned'
import { conditionerRinse, litresOf, planRinse, type RinseFacts } from '../rinse'
import { said } from '../said'
import { SUPPLY, wettingMinutes } from '../water'
import type { Dog } from '../dog'
import type { Drop } from '../handling'
import { asksTooMuch, BEARABLE, driedLess, keepsShort, keptShort } from './bearable'
import { broughtBottle } from './brought'
import { doneLately, type Care } from './careEvery'
import { courseOf, FIRST_WASH } from './course'
import type { LeftStep } from './courseTypes'
import { finishingOf, finishUses } from './finishing'
import { gather, ownNumber, type Gathered } from './gather'
import { addDays, nextVisit } from './interval'
import { learnHold, learnRinse, learnStep, learnZones, likelyVisit, sayHold } from './learned'
import { ladderFor, NOTHING_KNOWN, warningsOf, type Memory } from './memory'
import { cautionsOf, dryersUsed, stopsOf } from './notices'
import { questionsAbout } from './questions'
import { leavesOut, withHabits, type Today } from './schema'
import type { LeftOut } from './short'
import type { StepName } from './stepName'
import { visitSteps } from './steps'
import type { EarsPlan, Plan, Step } from './types'
import { lathersOf, planWashes } from './washes'
import { supplyWater, targetWater } from './water'

declare module '../said' {
  interface Codes {
    'surface.weight': { kg: number }
    'noise.none': None
    'noise.dryer': { dryer: string; level: number; minutes: number }
    'towels.coat': None
    'towels.chamois': None
    'towels.table': None
    'minutes.step': StepName
  }
}

/** The version of the reckoning; kept with every stored plan. Raised when a plan's numbers change. */
export const ENGINE = '3.13.0'

/** Skin on which vinegar and alcohol sting. */
const SORE_IN_EARS: readonly Skin[] = ['broken', 'inflamed', 'itchy', 'flea-bitten']

function planEars(g: Gathered, cared: Memory['cared']): EarsPlan {
  const { dog, today, products, rules, puppy, weightKg, mood, ageWeeks, short, skin } = g
  const facts = { puppy, ageWeeks, allergies: dog.allergies, date: today.date }
  const of = (kind: ShelvedProduct['kind']) => products.filter((p) => p.kind === kind)
  const allowed = (kind: ShelvedProduct['kind']) => of(kind).filter((p) => !labelForbids(p, facts))
  const forbidden = [...of('ear cleaner'), ...of('ear drying')].flatMap((p) => {
    const why = labelForbids(p, facts)
    return why ? [{ product: p.name, why }] : []
  })
  /** The skin of one ear: all over, and what was found at it or at both. */
  const soreAt = (side: 'left' | 'right') => {
    const own = today.skinAt.filter((p) => p.zone === 'ears' && (p.side === 'both' || p.side === side))
    return firstSkin([...skin.whole, ...own.flatMap((p) => p.skin)], SORE_IN_EARS)
  }
  const ear = (side: 'left' | 'right', look: EarLook) =>
    decideEar(look, {
      weightKg,
      carriage: dog.earCarriage,
      cleared: isCleared(dog.clearances, `${side} ear`, today.date),
      puppy,
      earHair: rules.earHair,
      hairy: dog.earHair,
      giving: rules.earCleaner,
      rounds: rules.earRounds,
      powder: rules.earPowder,
      date: today.date,
      thinnedLately: doneLately('earHair', cared, today, rules),
      sore: soreAt(side),
      cleaners: allowed('ear cleaner'),
      dryingOnes: allowed('ear drying'),
      forbidden,
      softener: allowed('wax softener')[0],
      own: ownNumber(today, 'earMl'),
    })
  const [left, right] = [ear('left', today.leftEar), ear('right', today.rightEar)]
  const sound = [left, right].filter((e) => e.action !== 'stop').length
  const leftAway = leavesOut(today, 'plugs-in')
  const ruled = rules.earPlugs === 'always' || (rules.earPlugs === 'tolerated' && dog.plugsTolerated && !puppy)
  // a head that is wiped with a cloth needs none
  const dryHead = short !== undefined
  const wanted = ruled && !leftAway && !dryHead
  const why: EarsPlan['plugsWhy'] = leftAway
    ? said('plugs.you')
    : !wanted
      ? rules.earPlugs === 'never'
        ? said('rule.says', { rule: 'earPlugs', choice: 'never' })
        : said(
            puppy ? 'plugs.fewSteps' : dryHead && rules.earPlugs !== 'tolerated' ? 'plugs.byCloth' : 'plugs.shakesOut',
          )
      : said(sound < 2 ? 'plugs.vetFirst' : 'plugs.dry')
  return { left, right, plugs: wanted ? sound : 0, plugsWhy: why, minutes: bothEars(left, right, mood) }
}

function dryingFacts(g: Gathered, earsOff: boolean): DryingFacts {
  return {
    coat: g.coat,
    surface: g.surface,
    zones: g.zones,
    skin: g.skin,
    stage: g.stage,
    shortNose: g.dog.shortNose,
    thinSkin: g.dog.thinSkin,
    dryerShy: g.dog.fears.includes('dryer'),
    crateShy: g.dog.fears.includes('crate'),
    head: g.rules.headDrying,
    topknot: g.dog.topknot,
    technique: g.today.technique ?? undefined,
    mood: g.mood,
    room: g.house.room,
    heat: g.rules.dryerHeat,
    order: g.rules.dryingOrder,
    turns: g.rules.dryerTurns,
    dryers: g.house.dryers,
    crateFits: g.weightKg <= largestCrate(g.house),
    chamois: g.house.chamois,
    earsOff,
    towels: ownNumber(g.today, 'towels')?.effect,
    styling: g.today.styling,
  }
}

/** The head is washed unless an ear must stay dry, the visit is short, the dog has a short nose, or fears for its face. */
function faceWashed(g: Gathered, earsOff: boolean): boolean {
  const left = leavesOut(g.today, 'face')
  return !earsOff && !left && g.short === undefined && !g.dog.shortNose && !g.dog.fears.includes('face')
}

/** What a short visit leaves out, and nails of a dog that doesn't allow them. */
function leftOutOf(g: Gathered, conditioner: boolean, { cared }: Pick<Memory, 'cared'>): LeftOut[] {
  const { short } = g
  const lately = (what: Care): LeftOut | false => {
    const last = doneLately(what, cared, g.today, g.rules)
    return last !== undefined && { what, because: 'notYet', last }
  }
  const feetShy = g.dog.fears.includes('feet')
  const left: (LeftOut | false)[] = [
    short !== undefined && g.rules.washCount !== 'one' && { what: 'secondWash', because: short },
    short !== undefined && { what: 'face', because: short },
    keepsShort(short) && !conditioner && { what: 'conditioner', because: short },
    short !== undefined && feetShy && { what: 'nails', because: 'feetShy' },
    short !== undefined &&
      !feetShy &&
      (g.mood === 'anxious' || g.dog.firstBath || g.dog.rescue) && { what: 'nails', because: short },
    short !== undefined && g.washed < g.surface && { what: 'upperBody', because: short },
    g.puppy && { what: 'brushing', because: 'puppy' },
    g.rules.earHair === 'routine' && g.dog.earHair && lately('earHair'),
    g.today.service !== 'nailsAndEars' && lately('nails'),
    g.rules.teeth === 'yes' && lately('teeth'),
    g.rules.glands === 'yes' && lately('glands'),
  ]
  // said once, by what weighs more
  return left.filter((l) => l !== false).filter((l, i, all) => all.findIndex((o) => o.what === l.what) === i)
}

/** The day's share of noise that this visit's dryers give, with the protector worn. */
function noiseOf(g: Gathered, drying: DryingPlan, steps: readonly Step[]): Reckoned {
  const off = protection(g.house.protector)
  const uses = dryersUsed(drying, steps, g.house.dryers)
  if (uses.length === 0) return reckon('%', start('noise.none', {}, 0))
  return sum(
    '%',
    uses.map((d) => ({
      ...said('noise.dryer', { dryer: d.name, level: d.level - off, minutes: d.minutes }),
      value: noiseDose([{ level: d.level - off, minutes: d.minutes }]),
    })),
  )
}

/** What was left out before it became a step: washes and the conditioner that nothing is mixed for. */
function leftWithoutStep(today: Today, mix: Plan['mix']): LeftStep[] {
  const names: Record<string, LeftStep['step']> = {
    [FIRST_WASH]: { kind: 'wash', role: 'clean' },
    condition: { kind: 'condition' },
    'plugs-in': { kind: 'plugIn' },
    face: { kind: 'face' },
  }
  return today.skipped.flatMap(({ step: id, reason }) => {
    const step = names[id]
    if (!step || (id === FIRST_WASH && mix.passes.length !== 1)) return []
    return [{ id, step, minutes: 0, reason }]
  })
}

/** What may be dropped of what is there: nothing that was left out already. */
function stillToDrop(
  drop: readonly Drop[],
  leftOut: readonly LeftOut[],
  drying: DryingPlan,
  steps: readonly Step[],
): Drop[] {
  const gone = new Set(leftOut.map((l) => l.what))
  const there: Record<Drop['what'], boolean> = {
    nails: steps.some((s) => s.kind === 'nails'),
    conditioner: steps.some((s) => s.kind === 'condition'),
    comb: steps.some((s) => s.kind === 'comb'),
    ears: steps.some((s) => s.kind === 'earClean'),
    oneWash: !gone.has('secondWash'),
    face: !gone.has('face'),
    dryer: drying.handMinutes > 0,
  }
  return drop.filter((d) => there[d.what]).map((d) => ({ ...d, minutes: minutesSaved(steps, d.steps) }))
}

/** Minutes that leaving some steps out saves. */
function minutesSaved(steps: readonly Step[], ids: readonly string[]): number {
  return steps.filter((s) => ids.includes(s.id)).reduce((sum, s) => sum + s.minutes.value, 0)
}

const minutesOf = (steps: readonly Step[]) =>
  sum(
    'min',
    steps.map(({ kind, role, name, minutes }) => ({
      ...said('minutes.step', { kind, role, name }),
      value: minutes.value,
    })),
  )

/** Dry towels on the table under a dog. */
export const TABLE_TOWELS = constants({
  usual: practice(2, 'towels', [1, 2]),
  small: practice(1, 'towels', [1, 2]),
  smallTo: practice(25, 'kg', [10, 30]),
})

/** Towels to lay out: none for the dog where a chamois does them all. */
function towelsOf(drying: DryingPlan, chamois: boolean, kg: number): Reckoned {
  return reckon(
    'towels',
    chamois ? start('towels.chamois', {}, 0) : start('towels.coat', {}, drying.towels),
    add('towels.table', {}, kg <= TABLE_TOWELS.smallTo.value ? TABLE_TOWELS.small.value : TABLE_TOWELS.usual.value),
  )
}

/**
 * One dog's plan for one day: mix, water, rinse, ears and drying, the ordered steps with their minutes,
 * and what stops or asks for care. Every number carries the reasons that make it. Pure: the same facts
 * give the same plan. Inputs must have passed their schemas. `memory`: what the log knows of this dog.
 */
export function planVisit(
  dog: Dog,
  given: Today,
  products: readonly ShelvedProduct[],
  house: House,
  memory: Memory = NOTHING_KNOWN,
): Plan {
  const of = (who: Dog, today: Today, zones = ZONES, calm = Infinity) =>
    planWashed(who, today, products, house, memory, { zones, calm })
  const frightened = (given.mood ?? dog.mood) === 'anxious'
  const usual = frightened && of({ ...dog, mood: 'calm', firstBath: false, rescue: false }, { ...given, mood: null })
  const calm = usual ? usual.handMinutes.value : Infinity
  const plan = of(dog, given, ZONES, calm)
  const kg = given.weightKg ?? dog.weightKg
  if (!asksTooMuch(plan, kg, withHabits(given, dog, house.habits))) return plan
  return of(dog, given, LOWER, calm)
}

/** The plan of a visit in which only some zones get wet; `calm`: minutes of hands that it isn't longer than where it is kept short. */
function planWashed(
  dog: Dog,
  given: Today,
  products: readonly ShelvedProduct[],
  house: House,
  memory: Memory,
  { zones, calm }: { zones: readonly Zone[]; calm: number },
): Plan {
  const { lessons } = memory
  const today = withHabits(given, dog, house.habits)
  const g = gather(dog, today, products, house, zones)
  const own = (target: Parameters<typeof ownNumber>[1]) => ownNumber(today, target)
  const goal = targetWater(g)
  const ears = planEars(g, memory.cared)
  const earsOff = ears.left.action === 'stop' || ears.right.action === 'stop'
  const face = faceWashed(g, earsOff)
  const mix = planWashes(
    products,
    {
      skin: g.skin,
      coat: dog.coat,
      undercoat: dog.undercoat,
      stained: today.stained,
      white: dog.white,
      puppy: g.puppy,
      ageWeeks: g.ageWeeks,
      brought: broughtBottle(today.brought, dog.name),
      date: today.date,
      shedding: today.shedding,
      fleas: today.fleas,
      wholeCoat: g.coat,
      surface: g.surface,
      zones: g.zones,
      soil: today.soil,
      bathC: goal.target.value,
      allergies: dog.allergies,
      face,
      short: g.short !== undefined,
      earsOff,
      rules: g.rules,
      ownProducts: today.products,
      leftOut: {
        firstWash: leavesOut(today, FIRST_WASH),
        forShort: !leavesOut(today, 'condition') && keepsShort(g.short),
        conditioner: leavesOut(today, 'condition') || keepsShort(g.short),
      },
      own: {
        ratio: own('ratio'),
        volume: own('volume'),
        contact: own('contact'),
        firstContact: own('firstContact'),
        conditioner: own('conditioner'),
      },
    },
    house,
  )
  const rinsing: RinseFacts = {
    coat: g.coat,
    surface: g.washed,
    skin: g.skin,
    puppy: g.puppy,
    tool: g.tool,
    hardness: house.water.hardness,
    hardAbove: SUPPLY.hardAbove.value,
    filthy: today.soil === 'filthy',
    ...(memory.after && memory.after.scratching !== 'no' && { scratched: memory.after.date }),
  }
  const learned = learnRinse(
    planRinse(lathersOf(mix, g.surface), rinsing, { minutes: own('rinse'), passes: own('passes') }),
    lessons,
  )
  const conditioner = mix.conditioner && conditionerRinse(rinsing, mix.conditioner.zones)
  const rinse: Plan['rinse'] = { ...learned, ...(conditioner ? { conditioner } : {}) }
  const facts = dryingFacts({ ...g, coat: learnHold(g.coat, lessons) }, earsOff)
  const planned = planDrying({ ...facts, distance: own('distance') }, own('drying'))
  const dried = learnZones(sayHold(planned, lessons), lessons, paceFactor(g.mood))
  const wetting = wettingMinutes(g.coat, g.washed, g.tool.kind === 'cup').value
  const water = supplyWater(g, goal, [
    { what: 'wetting', minutes: wetting, litres: litresOf(g.tool, wetting) },
    ...rinse.between.map((r) => ({ what: 'firstRinse' as const, minutes: r.minutes.value, litres: r.litres })),
    { what: 'lastRinse', minutes: rinse.last.minutes.value, litres: rinse.last.litres },
    ...(conditioner
      ? [{ what: 'conditioner' as const, minutes: conditioner.minutes.value, litres: conditioner.litres }]
      : []),
  ])
  const stops = stopsOf(g, ears)
  const sound = !stops.some((s) => s.scope === 'visit' || s.scope === 'bath')
  const bath = bathes(today.service) && sound
  const fewer = leftOutOf(g, mix.conditioner !== undefined, memory)
  const finishing = finishingOf(g, stops.length > 0)
  const whole = visitSteps({
    ...g,
    wash: mix,
    rinse,
    ears,
    drying: dried,
    finishing,
    waterC: goal.target.value,
    face,
    bath,
    sound,
    leftOut: fewer,
  }).map((s) => learnStep(s, lessons, { drying: dried, rinseModel: learned.model }))
  const kept =
    bath && keepsShort(g.short)
      ? keptShort(whole, { because: g.short, kg: g.weightKg, fears: dog.fears, calm })
      : { steps: whole, leftOut: [], dried: 1, most: Infinity }
  const drying = driedLess(dried, kept.dried, kept.most)
  const leftOut = [...fewer, ...kept.leftOut.filter((k) => !fewer.some((l) => l.what === k.what))]
  const { steps, course } = courseOf(kept.steps, {
    today,
    products,
    surface: g.surface,
    ageWeeks: g.ageWeeks,
    puppy: g.puppy,
    allergies: dog.allergies,
    date: today.date,
    applied: bath ? finishUses(finishing) : [],
  })
  const { handling } = g
  return {
    engine: ENGINE,
    go: bath,
    ...(g.short ? { short: g.short } : {}),
    leftOut,
    ...(kept.leftOut.length > 0 || zones.length < ZONES.length
      ? { again: addDays(today.date, BEARABLE.again.value) }
      : {}),
    service: today.service,
    course: { ...course, left: [...leftWithoutStep(today, mix), ...course.left] },
    surface: reckon('m²', start('surface.weight', { kg: g.weightKg }, g.surface)),
    mix,
    finishing: finishing.not,
    water,
    rinse,
    ears,
    drying,
    towels: towelsOf(drying, house.chamois, g.weightKg),
    chamois: house.chamois,
    steps,
    minutes: minutesOf(steps),
    handMinutes: minutesOf(steps.filter((s) => s.hands)),
    likely: likelyVisit(steps),
    groomer: { dose: noiseOf(g, drying, steps), lift: planLift(g.weightKg, house.tub, today.helper) },
    handling: { ...handling, drop: stillToDrop(handling.drop, leftOut, drying, steps) },
    next: nextVisit(dog, { ...today, skin: g.skin.whole }, g.rules, memory),
    questions: questionsAbout(dog, today),
    stops,
    ladder: ladderFor(dog, memory),
    cautions: [
      ...cautionsFor(
        bath,
        g,
        { mix, water, rinse, ears, drying, steps, leftOut },
        own('distance') && nearestSafe(facts),
      ),
      ...warningsOf(memory),
    ],
  }
}

/** What is to be minded where no water and no dryer comes near the dog. */
const DRY = new Set(['caution.vet', 'caution.fleas', 'caution.earTrouble', 'caution.waxStays'])
/** The cautions of a plan: without a bath none of a bath's. */
const cautionsFor = (bath: boolean, ...of: Parameters<typeof cautionsOf>) =>
  cautionsOf(...of).filter((n) => bath || DRY.has(n.code))

/** The furthest of the distances that the body's zones ask for, m, without the user's own. */
function nearestSafe(facts: DryingFacts): number | undefined {
  const distances = planDrying(facts).zones.flatMap((z) =>
    z.distance !== null && z.zone !== 'head' && z.zone !== 'ears' ? [z.distance] : [],
  )
  return distances.length > 0 ? Math.max(...distances) : undefined
}
