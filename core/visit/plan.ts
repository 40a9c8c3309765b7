import { isCleared } from '../caution'
import type { Dog, EarLook } from '../dog'
import { planDrying, type DryingPlan } from '../drying'
import { bothEars, decideEar } from '../ears'
import { noiseDose, paceFactor, planLift, protection } from '../groomer'
import { planHandling } from '../handling'
import { largestCrate, type House } from '../house'
import { labelForbids, type ShelvedProduct } from '../mix'
import { add, reckon, start, sum, type Reckoned } from '../reckoned'
import { planRinse, RINSE } from '../rinse'
import { schoolWords } from '../schools'
import { say } from '../units'
import { SUPPLY, wettingMinutes } from '../water'
import { gather, ownNumber, type Gathered } from './gather'
import { nextVisit } from './interval'
import { ladderFor, NOTHING_KNOWN, warningsOf, type Memory } from './memory'
import { learnHold, learnStep, likelyVisit, learnZones, sayHold } from './learned'
import { cautionsOf, dryerUse, stopsOf } from './notices'
import { questionsAbout } from './questions'
import type { Today } from './schema'
import { PAUSES } from './stepFacts'
import { visitSteps } from './steps'
import type { EarsPlan, Plan, Step } from './types'
import { lathersOf, planWashes, surfaceShare } from './washes'
import { supplyWater, targetWater } from './water'

/** The version of the reckoning; kept with every stored plan. Raised when a plan's numbers change. */
export const ENGINE = '2.1.0'

function planEars({ dog, today, products, schools, puppy, weightKg, mood, ageWeeks }: Gathered): EarsPlan {
  const facts = { puppy, ageWeeks, allergies: dog.allergies }
  const find = (kind: ShelvedProduct['kind']) => products.find((p) => p.kind === kind && !labelForbids(p, facts))
  const ear = (side: 'left' | 'right', look: EarLook) =>
    decideEar(look, {
      weightKg,
      carriage: dog.earCarriage,
      cleared: isCleared(dog.clearances, `${side} ear`, today.date),
      puppy,
      school: schools.S9,
      hairy: dog.earHair,
      giving: schools.S17,
      cleaner: find('ear cleaner'),
      drying: find('ear drying'),
    })
  const [left, right] = [ear('left', today.leftEar), ear('right', today.rightEar)]
  const sound = [left, right].filter((e) => e.action !== 'stop').length
  const wanted = schools.S10 === 'always' || (schools.S10 === 'tolerated' && dog.plugsTolerated)
  const why = !wanted
    ? schools.S10 === 'never'
      ? schoolWords('S10', 'never')
      : 'this dog shakes plugs out'
    : sound < 2
      ? 'none in an ear that a vet should see'
      : 'dry canals, fewer infections'
  return {
    left,
    right,
    plugs: wanted ? sound : 0,
    plugsWhy: why,
    minutes: bothEars(left, right, paceFactor(mood), mood),
  }
}

function planDryer(g: Gathered): DryingPlan {
  return planDrying(
    {
      coat: g.coat,
      surface: g.surface,
      skin: g.today.wounds === 'none' ? g.skin : [...g.skin, 'broken'],
      stage: g.stage,
      shortNose: g.dog.shortNose,
      thinSkin: g.dog.thinSkin,
      dryerShy: g.dog.fears.includes('dryer'),
      crateShy: g.dog.fears.includes('crate'),
      head: g.schools.S7,
      topknot: g.dog.topknot,
      technique: g.today.technique ?? undefined,
      mood: g.mood,
      room: g.house.room,
      heat: g.schools.S12,
      order: g.schools.S13,
      dryers: g.house.dryers,
      crateFits: g.weightKg <= largestCrate(g.house),
      chamois: g.house.chamois,
    },
    ownNumber(g.today, 'drying'),
  )
}

/** The head is washed unless an ear must stay dry, the dog is a puppy, has a short nose, or fears for its face. */
function faceWashed(g: Gathered, ears: EarsPlan): boolean {
  const stopped = ears.left.action === 'stop' || ears.right.action === 'stop'
  return !stopped && !g.puppy && !g.dog.shortNose && !g.dog.fears.includes('face') && !g.dog.rescue
}

/** The day's share of noise that this visit's dryers give, with the protector worn. */
function noiseOf(g: Gathered, drying: DryingPlan): Reckoned {
  const off = protection(g.house.protector)
  const uses = dryerUse(drying)
  if (uses.length === 0) return reckon('%', start('no dryer', 0))
  return sum(
    '%',
    uses.map((d) => ({
      fact: `${d.name}: ${say(d.level - off, 0)} dBA for ${say(d.minutes, 0)} min`,
      value: noiseDose([{ level: d.level - off, minutes: d.minutes }]),
    })),
  )
}

/** Minutes that leaving some steps out saves. */
function minutesSaved(steps: readonly Step[], ids: readonly string[]): number {
  return steps.filter((s) => ids.includes(s.id)).reduce((sum, s) => sum + s.minutes.value, 0)
}

const minutesOf = (steps: readonly Step[]) =>
  sum(
    'min',
    steps.map((s) => ({ fact: s.title, value: s.minutes.value })),
  )

/**
 * One dog's plan for one day: mix, water, rinse, ears and drying, the ordered steps with their minutes,
 * and what stops or asks for care. Every number carries the reasons that make it. Pure: the same facts
 * give the same plan. Inputs must have passed their schemas. `memory`: what the log knows of this dog.
 */
export function planVisit(
  dog: Dog,
  today: Today,
  products: readonly ShelvedProduct[],
  house: House,
  memory: Memory = NOTHING_KNOWN,
): Plan {
  const { lessons } = memory
  const g = gather(dog, today, products, house)
  const goal = targetWater(g)
  const ears = planEars(g)
  const mix = planWashes(
    products,
    {
      skin: g.skin,
      coat: dog.coat,
      stained: today.stained,
      white: dog.white,
      puppy: g.puppy,
      ageWeeks: g.ageWeeks,
      shedding: today.shedding,
      wholeCoat: g.coat,
      surface: g.surface,
      soil: today.soil,
      bathC: goal.target.value,
      allergies: dog.allergies,
      face: faceWashed(g, ears),
      schools: g.schools,
      ownProducts: today.products,
      ownRatio: ownNumber(today, 'ratio'),
      ownContact: ownNumber(today, 'contact'),
    },
    house,
  )
  const rinse = planRinse(
    lathersOf(mix, g.surface),
    {
      coat: g.coat,
      surface: g.surface,
      skin: g.skin,
      puppy: g.puppy,
      flow: house.water.flow,
      hardness: house.water.hardness,
      hardAbove: SUPPLY.hardAbove.value,
    },
    ownNumber(today, 'rinse'),
  )
  const drying = learnZones(
    sayHold(planDryer({ ...g, coat: learnHold(g.coat, lessons) }), lessons),
    lessons,
    paceFactor(g.mood),
  )
  const wetting = wettingMinutes(g.coat, g.surface).value
  const conditionerRinse = mix.conditioner
    ? (g.surface / RINSE.fingers.value) * PAUSES.conditionerRinse.value * surfaceShare(mix.conditioner.zones)
    : 0
  const water = supplyWater(g, goal, [
    { fact: 'wetting', minutes: wetting },
    ...rinse.between.map((r) => ({ fact: 'first rinse', minutes: r.minutes.value })),
    { fact: 'last rinse', minutes: rinse.last.minutes.value },
    ...(conditionerRinse > 0 ? [{ fact: 'conditioner out', minutes: conditionerRinse }] : []),
  ])
  const stops = stopsOf(g, ears)
  const bath = !stops.some((s) => s.scope === 'visit' || s.scope === 'bath')
  const handling = planHandling({ ...g, biteRisk: today.biteRisk, helper: today.helper })
  const steps = visitSteps({
    ...g,
    wash: mix,
    rinse,
    ears,
    drying,
    waterC: goal.target.value,
    face: faceWashed(g, ears),
    bath,
    tool: `${handling.tool}, ${handling.pressure}`,
  }).map((s) => learnStep(s, lessons, drying))
  return {
    engine: ENGINE,
    go: bath,
    surface: reckon('m²', start(`${say(g.weightKg)} kg`, g.surface)),
    mix,
    water,
    rinse,
    ears,
    drying,
    towels: reckon('towels', start('for the coat', drying.towels), add('dry ones on the table', 2)),
    steps,
    minutes: minutesOf(steps),
    handMinutes: minutesOf(steps.filter((s) => s.hands)),
    likely: likelyVisit(steps),
    groomer: { dose: noiseOf(g, drying), lift: planLift(g.weightKg, house.tub, today.helper) },
    handling: { ...handling, drop: handling.drop.map((d) => ({ ...d, minutes: minutesSaved(steps, d.steps) })) },
    next: nextVisit(dog, today, g.schools),
    questions: questionsAbout(dog, today),
    stops,
    ladder: ladderFor(dog, memory),
    cautions: [...cautionsOf(g, { mix, water, rinse, drying }), ...warningsOf(memory)],
  }
}
