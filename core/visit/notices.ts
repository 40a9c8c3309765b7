import { earStop, visitCautions, visitStops, type Notice } from '../caution'
import { circuitOf } from '../house'
import { dryerWatts, type Dryer, type DryingPlan } from '../drying'
import { planLift } from '../groomer'
import { tenderSkin } from '../mix'
import { say } from '../units'
import { tanklessFlow } from '../water'
import type { Gathered } from './gather'
import type { EarsPlan, Plan } from './types'
import type { Mix } from './washTypes'

/** Each dryer's watts at the warmest setting used, its circuit, its sound and its minutes. */
export function dryerUse({ choice, zones }: DryingPlan) {
  const use = (dryer: Dryer | undefined, minutes: number) => {
    if (!dryer || minutes <= 0) return []
    const used = dryer.settings.filter((s) => zones.some((z) => z.setting === s.name))
    const watts = Math.max(...(used.length > 0 ? used : dryer.settings.slice(0, 1)).map((s) => dryerWatts(dryer, s)))
    return [{ name: dryer.name, watts, level: dryer.level, minutes, circuit: dryer.circuit }]
  }
  const total = (of: 'velocity' | 'warm') => zones.reduce((sum, z) => sum + z[of], 0)
  if (choice.technique === 'fan') return use(choice.fan, total('warm'))
  if (choice.technique === 'air') return []
  return [...use(choice.velocity, total('velocity')), ...use(choice.warm, total('warm'))]
}

/** The stops of a day. */
export function stopsOf(g: Gathered, ears: EarsPlan): Notice[] {
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
      mats: g.today.mats,
      biteRisk: g.today.biteRisk,
      helper: g.today.helper,
      medicatedWithoutInstruction: medicated?.name,
    }),
    earStop('left', ears.left),
    earStop('right', ears.right),
  ].filter((n): n is Notice => n !== undefined)
}

/** What the user's own products do that Juvant's choice would not. */
function mismatches(g: Gathered, mixes: readonly Mix[]): { name: string; why: string }[] {
  const tender = tenderSkin(g.skin) ?? (g.puppy ? 'puppy' : undefined)
  return mixes
    .filter((m) => m.own)
    .flatMap((m) => {
      const { name, kind } = m.product
      if (tender && (kind === 'degreasing' || kind === 'whitening'))
        return [{ name, why: `It dries: on ${tender} skin that may itch more. Watch for it.` }]
      if (kind === 'degreasing' && !g.skin.includes('greasy'))
        return [{ name, why: 'It strips oil from a skin that isn’t greasy: a mild wash or conditioner after it.' }]
      if (kind === 'medicated' && !g.skin.includes('vet-treated'))
        return [{ name, why: 'Medicated without treatment on the record: only as its written instruction says.' }]
      return []
    })
}

/** The cautions of a plan. */
export function cautionsOf(g: Gathered, plan: Pick<Plan, 'mix' | 'water' | 'rinse' | 'drying'>): Notice[] {
  const { passes, conditioner, refused } = plan.mix
  const mixes = [...passes.flatMap((p) => p.mixes), ...(conditioner ? [conditioner] : [])]
  const rinsedAtOnce = passes.length > 1 ? (passes[0]?.mixes ?? []) : []
  const extra: (Notice | false)[] = [
    passes.length === 0 && {
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
    plan.drying.choice.against !== undefined && {
      id: 'technique',
      level: 'caution',
      scope: 'drying',
      title: `Your way of drying: ${plan.drying.choice.against}`,
      next: 'Watch the dog and the coat; Juvant’s own choice stands beside it.',
    },
    !plan.drying.dries && {
      id: 'wet',
      level: 'caution',
      scope: 'drying',
      title: `Will not dry by ${plan.drying.choice.technique === 'air' ? 'itself' : 'fan'} in this room`,
      next: 'Open a window, lower the humidity, or finish with a dryer.',
    },
  ]
  return [
    ...extra.filter((n): n is Notice => n !== false),
    ...visitCautions({
      weightKg: g.weightKg,
      lift: planLift(g.weightKg, g.house.tub, g.today.helper),
      protector: g.house.protector,
      roomC: g.house.room.celsius,
      longestWait: Math.max(0, ...passes.map((p) => p.wait.value), conditioner?.contact.value ?? 0),
      earTrouble: g.dog.earTrouble,
      refused,
      mismatched: mismatches(g, mixes),
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
      dryer: dryerUse(plan.drying).map((d) => {
        const { volts, amps, otherW } = circuitOf(g.house, d.circuit)
        return { ...d, circuitW: volts * amps - otherW }
      }),
      products: mixes.map((m) => ({
        name: m.product.name,
        pH: m.product.pH,
        labelRatio: m.labelRatio,
        ratio: m.ratio.value,
        contact: m.contact.value,
        labelContact: rinsedAtOnce.includes(m) ? null : m.product.contactMinutes,
      })),
    }),
  ]
}
