import { add, note, reckon, sum } from '../reckoned'
import { say } from '../units'
import { drawTank, hoseVolume, mixTap, scaldText, SUPPLY, waterBand, waterTarget } from '../water'
import { ownNumber, type Gathered } from './gather'
import type { WaterPlan } from './types'

/** The bath's temperature: reckoned, or the user's own with its band. */
export function targetWater(g: Gathered) {
  const reckoned = waterTarget({
    school: g.schools.S2,
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

/** Taps, litres and the tank for a bath of some showers, in minutes. */
export function supplyWater(
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
