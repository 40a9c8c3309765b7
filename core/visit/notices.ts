import { earStop, notice, visitCautions, visitStops, type Notice } from '../caution'
import { tenderSkin } from '../mix'
import type { EarCode } from '../ears'
import type { Bar, Dryer, DryingPlan, Technique } from '../drying'
import { dryerWatts } from '../drying'
import { planLift } from '../groomer'
import { circuitOf } from '../house'
import { said, type Said } from '../said'
import { tanklessFlow, type TapMix } from '../water'
import { isBrought } from './brought'
import type { Gathered } from './gather'
import type { EarsPlan, Plan, Step } from './types'

declare module '../said' {
  interface Codes {
    'caution.noShampoo': None
    'caution.tap': { why: NonNullable<TapMix['why']> }
    'caution.short': { minutes: number }
    'caution.tankless': None
    'caution.residue': { end: number; limit: number }
    'caution.yourWay': { against: Bar }
    'caution.leastBad': { against: Bar }
    'caution.tooNear': { metres: number; nearest: number }
    'caution.wontDry': { technique: Technique }
    'caution.homeDamp': { minutes: number }
    'caution.brought': { product: string }
    'caution.waxStays': { side: 'left' | 'right'; why: Said<EarCode> }
  }
}

/** One dryer's use in a visit: watts at the warmest setting used, its circuit, its sound, and its minutes at this dog's pace. */
export interface DryerUse {
  name: string
  watts: number
  level: number
  minutes: number
  circuit: string
}

/** What the dryers of a visit do: undercoat blown out before the bath with the fast one, then the drying. */
export function dryersUsed(drying: DryingPlan, steps: readonly Step[], dryers: readonly Dryer[]): DryerUse[] {
  const uses = dryerUse(drying)
  const before = steps.filter((s) => s.kind === 'blowOut').reduce((sum, s) => sum + s.minutes.value, 0)
  const fast = drying.choice.velocity ?? dryers.find((d) => d.kind === 'velocity')
  if (before === 0 || !fast) return uses
  const known = uses.find((u) => u.name === fast.name)
  if (known) return uses.map((u) => (u === known ? { ...u, minutes: u.minutes + before } : u))
  const cold = fast.settings.find((s) => s.heatW === 0) ?? fast.settings[0]!
  const watts = dryerWatts(fast, cold)
  return [{ name: fast.name, watts, level: fast.level, minutes: before, circuit: fast.circuit }, ...uses]
}

/** What each dryer of a drying does: fan and hand dryers in turn, the moves from zone to zone shared among those in the hand. */
export function dryerUse({ choice, zones, handMinutes, aloneMinutes, fastMinutes }: DryingPlan): DryerUse[] {
  const use = (dryer: Dryer | undefined, minutes: number): DryerUse[] => {
    if (!dryer || minutes <= 0) return []
    const used = dryer.settings.filter((s) => zones.some((z) => z.by === 'warm' && z.setting === s.name))
    const cold = dryer.settings.filter((s) => s.heatW === 0)
    const running = used.length > 0 && dryer === choice.warm ? used : cold.length > 0 ? cold : dryer.settings
    const watts = Math.max(...running.map((s) => dryerWatts(dryer, s)))
    return [{ name: dryer.name, watts, level: dryer.level, minutes, circuit: dryer.circuit }]
  }
  const alone = [...use(choice.fan, aloneMinutes), ...use(choice.second, aloneMinutes)]
  if (choice.technique === 'fan' || choice.technique === 'air') return alone
  const total = (of: 'velocity' | 'warm') => zones.reduce((sum, z) => sum + z[of], 0)
  const all = total('velocity') + total('warm')
  const paced = all > 0 ? handMinutes / all : 0
  if (!choice.warm) return use(choice.velocity, handMinutes)
  if (fastMinutes !== undefined)
    return [...alone, ...use(choice.velocity, fastMinutes), ...use(choice.warm, handMinutes - fastMinutes)]
  return [...alone, ...use(choice.velocity, total('velocity') * paced), ...use(choice.warm, total('warm') * paced)]
}

/** The stops of a day. */
export function stopsOf(g: Gathered, ears: EarsPlan): Notice[] {
  const medicated = g.anySkin.includes('vet-treated')
    ? g.products.find((p) => p.kind === 'medicated' && p.instruction.trim() === '')
    : undefined
  return [
    ...visitStops({
      date: g.today.date,
      clearances: g.dog.clearances,
      health: g.today.health,
      wounds: g.today.wounds,
      skin: g.skin,
      // felt that is cut off before the bath stops none
      mats: g.today.mats,
      biteRisk: g.today.biteRisk,
      helper: g.today.helper,
      medicatedWithoutInstruction: medicated?.name,
    }),
    earStop('left', ears.left, g.today.leftEar.signs),
    earStop('right', ears.right, g.today.rightEar.signs),
  ].filter((n): n is Notice => n !== undefined)
}

/** A dog under a vet's treatment that gets no medicated product: the user's own choice, or nothing on the shelf. */
function untreated(g: Gathered, passes: Plan['mix']['passes']): { product: string | null } | undefined {
  if (!g.anySkin.includes('vet-treated')) return undefined
  const mixes = passes.flatMap((p) => p.mixes)
  if (mixes.length === 0 || mixes.some((m) => m.product.kind === 'medicated')) return undefined
  return { product: mixes.find((m) => m.own)?.product.name ?? null }
}

/** The user's own distance where it is nearer than some zone bears. */
function tooNear(g: Gathered, drying: DryingPlan, nearest: number | undefined): Said<'caution.tooNear'> | undefined {
  const own = g.today.overrides.find((o) => o.target === 'distance')
  if (!own || nearest === undefined || own.value >= nearest - 1e-9 || drying.handMinutes === 0) return undefined
  return said('caution.tooNear', { metres: own.value, nearest })
}

/** Wax that stays in an ear, because this dog or this ear bears no cleaner of the house. */
function waxStays(side: 'left' | 'right', { waxStays: stays, because }: EarsPlan['left']): Notice | undefined {
  const why = because.find((b) => b.code === 'ear.forbidden' || b.code === 'ear.stings')
  return stays && why && notice(`${side} ear`, said('caution.waxStays', { side, why }), side)
}

/** The cautions of a plan. `nearest`: the furthest of the safe distances at the body, m, before the user's own. */
export function cautionsOf(
  g: Gathered,
  plan: Pick<Plan, 'mix' | 'water' | 'rinse' | 'ears' | 'drying' | 'steps' | 'leftOut'>,
  nearest?: number,
): Notice[] {
  const { passes, conditioner, refused } = plan.mix
  const { water } = g.house
  const mixes = [...passes.flatMap((p) => p.mixes), ...(conditioner ? [conditioner] : [])]
  const brought = mixes.find((m) => isBrought(m.product.id))
  const rinsedAtOnce = passes.length > 1 ? (passes[0]?.mixes ?? []) : []
  const { choice, dries } = plan.drying
  const { end, limit } = plan.rinse.last
  const near = tooNear(g, plan.drying, nearest)
  const heater =
    water.heater === 'tankless' && plan.water.hotFlow > tanklessFlow(water.heaterKw, water.hotC - water.coldC)
  const extra: (Notice | false | undefined)[] = [
    passes.length === 0 && notice('product', said('caution.noShampoo')),
    brought && notice('product', said('caution.brought', { product: brought.product.name })),
    plan.water.tap.why && notice('water', said('caution.tap', { why: plan.water.tap.why })),
    plan.water.shortAt !== undefined && notice('water', said('caution.short', { minutes: plan.water.shortAt })),
    heater && notice('water', said('caution.tankless')),
    end > limit.value * 1.001 && notice('bath', said('caution.residue', { end, limit: limit.value })),
    choice.against !== undefined && notice('drying', said('caution.yourWay', { against: choice.against })),
    choice.why.code === 'way.leastBad' &&
      notice('drying', said('caution.leastBad', { against: choice.why.facts.against })),
    near && notice('drying', near),
    plan.leftOut.some((l) => l.what === 'drying') &&
      notice('drying', said('caution.homeDamp', { minutes: plan.drying.handMinutes })),
    ...(['left', 'right'] as const).map((side) => waxStays(side, plan.ears[side])),
    !dries && notice('drying', said('caution.wontDry', { technique: choice.technique })),
  ]
  return [
    ...extra.filter((n): n is Notice => n !== false && n !== undefined),
    ...visitCautions({
      weightKg: g.weightKg,
      lift: planLift(g.weightKg, g.house.tub, g.today.helper),
      protector: g.house.protector,
      roomC: g.house.room.celsius,
      longestWait: Math.max(0, ...passes.map((p) => p.wait.value), conditioner?.contact.value ?? 0),
      earTrouble: g.dog.earTrouble,
      refused,
      stage: g.stage,
      shortNose: g.dog.shortNose,
      thinSkin: g.dog.thinSkin,
      hairless: g.dog.coat === 'hairless',
      fleas: g.today.fleas,
      skin: g.anySkin,
      tender: tenderSkin(g.anySkin) ?? (g.puppy ? 'puppy' : undefined),
      notMedicated: untreated(g, passes),
      hotC: water.hotC,
      pregnant: g.dog.pregnant,
      seizures: g.dog.seizures,
      heart: g.dog.heart,
      dryer: dryersUsed(plan.drying, plan.steps, g.house.dryers).map((d) => {
        const { volts, amps, otherW } = circuitOf(g.house, d.circuit)
        return { ...d, circuitW: volts * amps - otherW }
      }),
      products: mixes.map((m) => ({
        id: m.product.id,
        name: m.product.name,
        kind: m.product.kind,
        pH: m.product.pH,
        labelRatio: m.labelRatio,
        ratio: m.ratio.value,
        contact: m.contact.value,
        labelContact: rinsedAtOnce.includes(m) ? null : m.product.contactMinutes,
        own: m.own,
      })),
    }),
  ]
}
