import { earStop, isCleared, visitCautions, visitStops, type Notice } from '../caution'
import { ageInWeeks, bodySurface, coatHold, stageOn, type Coat, type Dog, type EarLook } from '../dog'
import { dryerWatts, planDrying, type Dryer, type DryingPlan } from '../drying'
import { bothEars, decideEar } from '../ears'
import { paceFactor } from '../groomer'
import type { House } from '../house'
import { labelForbids, type ShelvedProduct } from '../mix'
import { add, note, reckon, set, start, sum, type Reason } from '../reckoned'
import { planRinse, type Lather } from '../rinse'
import { schoolWords } from '../schools'
import { say } from '../units'
import {
  drawTank,
  hoseVolume,
  mixTap,
  scaldText,
  SUPPLY,
  tanklessFlow,
  waterBand,
  waterTarget,
  wettingMinutes,
} from '../water'
import type { OverrideTarget, Today } from './schema'
import { PAUSES, visitSteps } from './steps'
import type { EarsPlan, Plan, Step, WaterPlan } from './types'
import { planWashes } from './washes'

/** The version of the reckoning; kept with every stored plan. Raised when a plan's numbers change. */
export const ENGINE = '1.0.0'

/** Everything about the dog and the day that more than one part of the plan asks for. */
function gather(dog: Dog, today: Today, products: readonly ShelvedProduct[], house: House) {
  const weightKg = today.weightKg ?? dog.weightKg
  const stage = stageOn({ ...dog, weightKg }, today.date)
  const coat: Coat = { coat: dog.coat, lengthCm: dog.coatLengthCm ?? undefined, density: dog.density }
  return {
    dog,
    today,
    products,
    house,
    weightKg,
    stage,
    coat,
    puppy: stage === 'puppy',
    surface: bodySurface(weightKg),
    hold: coatHold(coat),
    skin: today.skin,
    mood: today.mood ?? dog.mood,
    ageWeeks: dog.born ? ageInWeeks(dog.born, today.date) : undefined,
  }
}
type Gathered = ReturnType<typeof gather>

/** The user's own number for a target, as a reason signed "You". */
function ownNumber(today: Today, target: OverrideTarget): Reason | undefined {
  const own = today.overrides.find((o) => o.target === target)
  return own && set(`You: ${own.reason}`, own.value)
}

function planEars({ dog, today, products, house, puppy, weightKg, mood, ageWeeks, skin, coat }: Gathered): EarsPlan {
  const facts = { skin, coat: coat.coat, stained: false, puppy, ageWeeks, shedding: false }
  const find = (kind: ShelvedProduct['kind']) => products.find((p) => p.kind === kind && !labelForbids(p, facts))
  const ear = (side: 'left' | 'right', look: EarLook) =>
    decideEar(look, {
      weightKg,
      carriage: dog.earCarriage,
      cleared: isCleared(dog.clearances, `${side} ear`, today.date),
      puppy,
      school: house.schools.S9,
      cleaner: find('ear cleaner'),
      drying: find('ear drying'),
    })
  const [left, right] = [ear('left', today.leftEar), ear('right', today.rightEar)]
  const sound = [left, right].filter((e) => e.action !== 'stop').length
  const wanted = house.schools.S10 === 'always' || (house.schools.S10 === 'tolerated' && dog.plugsTolerated)
  const why = !wanted
    ? house.schools.S10 === 'never'
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

function targetWater(g: Gathered) {
  const reckoned = waterTarget({
    school: g.house.schools.S2,
    skin: g.today.wounds === 'none' ? g.skin : [...g.skin, 'broken'],
    shortNose: g.dog.shortNose,
    coat: g.dog.coat,
    roomC: g.house.room.celsius,
    stage: g.stage,
    weightKg: g.weightKg,
  })
  const own = ownNumber(g.today, 'water')
  if (!own) return reckoned
  const target = reckon('°C', ...reckoned.target.because, own, note(`Reckoned ${say(reckoned.target.value)} °C`))
  return { target, ...waterBand(target.value) }
}

function supplyWater(
  g: Gathered,
  goal: ReturnType<typeof targetWater>,
  showers: readonly { fact: string; minutes: number }[],
): WaterPlan {
  const { water } = g.house
  const tap = mixTap(goal.target.value, water.coldC, water.hotC)
  const share = tap.ok ? tap.hotShare : 1
  const litres = sum(
    'L',
    showers.map((s) => ({ fact: `${s.fact}, ${say(s.minutes)} min`, value: s.minutes * water.flow })),
  )
  const runOff = hoseVolume(water.hoseM)
  const full = reckon('L', ...litres.because, add('cold water run off the hose', runOff))
  const minutes = showers.reduce((all, s) => all + s.minutes, 0)
  const { shortAt } =
    water.heater === 'tank'
      ? drawTank(water, SUPPLY.usable.value * water.tankL, share, minutes)
      : { shortAt: undefined }
  return {
    ...goal,
    tap,
    hotFlow: water.flow * share,
    coldFlow: water.flow * (1 - share),
    litres: full,
    hotLitres: full.value * share,
    runOff,
    scald: scaldText(water.hotC),
    shortAt,
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
      dryerShy: g.dog.dryerShy,
      mood: g.mood,
      room: g.house.room,
      heat: g.house.schools.S12,
      order: g.house.schools.S13,
      dryers: g.house.dryers,
      crateFits: g.weightKg <= g.house.crateMaxKg,
      chamois: g.house.chamois,
    },
    ownNumber(g.today, 'drying'),
  )
}

/** Each dryer's watts at the warmest setting used, its sound and its minutes. */
function dryerUse({ choice, zones }: DryingPlan) {
  const use = (dryer: Dryer | undefined, minutes: number) => {
    if (!dryer || minutes <= 0) return []
    const used = dryer.settings.filter((s) => zones.some((z) => z.setting === s.name))
    const watts = Math.max(...(used.length > 0 ? used : dryer.settings.slice(0, 1)).map((s) => dryerWatts(dryer, s)))
    return [{ name: dryer.name, watts, level: dryer.level, minutes }]
  }
  const total = (of: 'velocity' | 'warm') => zones.reduce((sum, z) => sum + z[of], 0)
  if (choice.technique === 'fan') return use(choice.fan, total('warm'))
  return [...use(choice.velocity, total('velocity')), ...use(choice.warm, total('warm'))]
}

function stopsOf(g: Gathered, ears: EarsPlan): Notice[] {
  const medicated = g.skin.includes('vet-treated')
    ? g.products.find((p) => p.kind === 'medicated' && p.instruction.trim() === '')
    : undefined
  return [
    ...visitStops({
      date: g.today.date,
      clearances: g.dog.clearances,
      health: g.today.health,
      wounds: g.today.wounds,
      skin: g.skin,
      matScore: g.today.matScore,
      biteRisk: g.today.biteRisk,
      helper: g.today.helper,
      medicatedWithoutInstruction: medicated?.name,
    }),
    earStop('left', ears.left),
    earStop('right', ears.right),
  ].filter((n): n is Notice => n !== undefined)
}

function cautionsOf(g: Gathered, plan: Pick<Plan, 'mix' | 'water' | 'rinse' | 'drying'>): Notice[] {
  const mixes = [...plan.mix.washes, ...(plan.mix.conditioner ? [plan.mix.conditioner] : [])]
  const extra: (Notice | false)[] = [
    plan.mix.washes.length === 0 && {
      id: 'no-shampoo',
      level: 'caution',
      scope: 'product',
      title: 'No shampoo on the shelf for this dog',
      next: 'Water alone today, or put one on the shelf.',
    },
    !plan.water.tap.ok && {
      id: 'tap',
      level: 'caution',
      scope: 'water',
      title: 'The taps can’t make this bath',
      next: plan.water.tap.ok ? '' : plan.water.tap.why,
    },
    plan.water.shortAt !== undefined && {
      id: 'short',
      level: 'caution',
      scope: 'water',
      title: `Hot water runs short after ${say(plan.water.shortAt)} min of shower`,
      next: 'Let the tank recover between wash and rinse, or wash a smaller dog before.',
    },
    g.house.water.heater === 'tankless' &&
      plan.water.hotFlow > tanklessFlow(g.house.water.heaterKw, g.house.water.hotC - g.house.water.coldC) && {
        id: 'tankless',
        level: 'caution',
        scope: 'water',
        title: 'The heater can’t keep up with this flow',
        next: 'Turn the shower down until it stays warm.',
      },
    plan.rinse.last.end > plan.rinse.last.limit.value * 1.001 && {
      id: 'residue',
      level: 'caution',
      scope: 'bath',
      title: `Rinse ends at ${say(plan.rinse.last.end)} mg/m² of soap, over ${say(plan.rinse.last.limit.value)}`,
      next: 'Rinse longer: soap left in itches for days.',
    },
    !plan.drying.dries && {
      id: 'wet',
      level: 'caution',
      scope: 'drying',
      title: 'Will not dry by fan in this room',
      next: 'Open a window, lower the humidity, or finish with a dryer.',
    },
  ]
  return [
    ...extra.filter((n): n is Notice => n !== false),
    ...visitCautions({
      weightKg: g.weightKg,
      stage: g.stage,
      shortNose: g.dog.shortNose,
      thinSkin: g.dog.thinSkin,
      hairless: g.dog.coat === 'hairless',
      fleas: g.today.fleas,
      skin: g.skin,
      hotC: g.house.water.hotC,
      pregnant: g.dog.pregnant,
      seizures: g.dog.seizures,
      heart: g.dog.heart,
      dryer: dryerUse(plan.drying),
      circuitW: g.house.circuit.volts * g.house.circuit.amps,
      products: mixes.map((m) => ({
        name: m.product.name,
        pH: m.product.pH,
        labelRatio: m.labelRatio,
        ratio: m.ratio.value,
        contact: m.contact.value,
        labelContact: m === plan.mix.washes[0] && plan.mix.washes.length > 1 ? null : m.product.contactMinutes,
      })),
    }),
  ]
}

const minutesOf = (steps: readonly Step[]) =>
  sum(
    'min',
    steps.map((s) => ({ fact: s.title, value: s.minutes.value })),
  )

/**
 * One dog's plan for one day: mix, water, rinse, ears and drying, the ordered steps with their minutes,
 * and what stops or asks for care. Every number carries the reasons that make it. Pure: the same facts
 * give the same plan. Inputs must have passed their schemas.
 */
export function planVisit(dog: Dog, today: Today, products: readonly ShelvedProduct[], house: House): Plan {
  const g = gather(dog, today, products, house)
  const goal = targetWater(g)
  const mix = planWashes(
    products,
    {
      skin: g.skin,
      coat: dog.coat,
      stained: today.stained,
      puppy: g.puppy,
      ageWeeks: g.ageWeeks,
      shedding: today.shedding,
      wholeCoat: g.coat,
      surface: g.surface,
      soil: today.soil,
      bathC: goal.target.value,
      ownRatio: ownNumber(today, 'ratio'),
      ownContact: ownNumber(today, 'contact'),
    },
    house,
  )
  const lathers: Lather[] = mix.washes.map((w) => ({
    product: w.product.name,
    volume: w.volume.value,
    ratio: w.ratio.value,
    labelRatio: w.labelRatio,
  }))
  const rinse = planRinse(
    lathers,
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
  const ears = planEars(g)
  const drying = planDryer(g)
  const wetting = wettingMinutes(g.coat, g.surface).value
  const conditionerRinse = mix.conditioner ? (g.surface / 0.25) * PAUSES.conditionerRinse.value : 0
  const water = supplyWater(g, goal, [
    { fact: 'wetting', minutes: wetting },
    ...rinse.between.map((r) => ({ fact: 'first rinse', minutes: r.minutes.value })),
    { fact: 'last rinse', minutes: rinse.last.minutes.value },
    ...(conditionerRinse > 0 ? [{ fact: 'conditioner out', minutes: conditionerRinse }] : []),
  ])
  const stops = stopsOf(g, ears)
  const bath = !stops.some((s) => s.scope === 'visit' || s.scope === 'bath')
  const earStopped = ears.left.action === 'stop' || ears.right.action === 'stop'
  const steps = visitSteps({
    ...g,
    wash: mix,
    rinse,
    ears,
    drying,
    waterC: goal.target.value,
    headDry: earStopped || g.puppy || dog.shortNose,
    go: { bath },
  })
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
    stops,
    cautions: cautionsOf(g, { mix, water, rinse, drying }),
  }
}
