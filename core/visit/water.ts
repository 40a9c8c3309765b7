import { add, reckon, sum, withOwn } from '../reckoned'
import { litresAMinute, type RinseTool } from '../rinse'
import { drawTank, hoseVolume, mixTap, SUPPLY, waterBand, waterTarget } from '../water'
import { ownNumber, type Gathered } from './gather'
import type { WaterPlan } from './types'

/** A stretch of water in a visit. */
export type Showering = 'wetting' | 'firstRinse' | 'lastRinse' | 'conditioner'

declare module '../said' {
  interface Codes {
    'litres.of': { what: Showering; minutes: number; tool: RinseTool['kind'] }
    'litres.runOff': { metres: number }
  }
}

/** The bath's temperature: reckoned, or the user's own with its band. */
export function targetWater(g: Gathered) {
  const reckoned = waterTarget({
    warmth: g.rules.waterWarmth,
    skin: g.skin.whole,
    shortNose: g.dog.shortNose,
    coat: g.dog.coat,
    roomC: g.house.room.celsius,
    stage: g.stage,
    weightKg: g.weightKg,
  })
  const target = withOwn(reckoned.target, ownNumber(g.today, 'water'))
  return { ...reckoned, target, ...waterBand(target.value) }
}

/** Taps, litres and the tank for a bath of some showers, in minutes and litres. A dog in a cup's bath runs nothing off the hose. */
export function supplyWater(
  g: Gathered,
  goal: ReturnType<typeof targetWater>,
  showers: readonly { what: Showering; minutes: number; litres: number }[],
): WaterPlan {
  const { water } = g.house
  const tap = mixTap(goal.target.value, water.coldC, water.hotC)
  const flow = litresAMinute(g.tool)
  const poured = sum(
    'L',
    showers.map(({ what, minutes, litres }) => ({
      code: 'litres.of' as const,
      facts: { what, minutes, tool: g.tool.kind },
      value: litres,
    })),
  )
  const runOff = hoseVolume(water.hoseM)
  const litres = reckon('L', ...poured.because, add('litres.runOff', { metres: water.hoseM }, runOff))
  const minutes = showers.reduce((all, s) => all + s.minutes, 0)
  const { shortAt } =
    water.heater === 'tank'
      ? drawTank({ ...water, flow }, SUPPLY.usable.value * water.tankL, tap.hotShare, minutes)
      : { shortAt: undefined }
  return {
    ...goal,
    tap,
    hotFlow: flow * tap.hotShare,
    coldFlow: flow * (1 - tap.hotShare),
    litres,
    hotLitres: litres.value * tap.hotShare,
    runOff,
    hotTapC: water.hotC,
    shortAt,
  }
}
