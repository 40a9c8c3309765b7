import { z } from 'zod'
import { amountIn } from '../range'
import { constants, house, memory, practice, published } from '../constants'

/** What the house's water needs to know of physics and plumbing. */
export const SUPPLY = constants({
  heatCapacity: memory(4.186, 'kJ/(kg·K)', 'specific heat of water near 20 °C, any physics text'),
  usable: memory(0.75, 'share', 'heater sizing rule: 70 to 80 % of a tank is usable'),
  hosePerMetre: published(0.1327, 'L/m', 'geometry: bore of 13 mm'),
  hardAbove: practice(14, '°dH', [12, 17]),
  density: practice(1, 'kg/L'),
  efficiency: house(0.98, 'share', [0.8, 1]),
})

/** The house's taps, heater and hose. Temperatures °C, flow L/min, hardness °dH, lengths m. */
export const WaterSupply = z.object({
  coldC: amountIn('coldTap', 'temperature', 1, 35).default(11),
  hotC: amountIn('hotTap', 'temperature', 30, 90).default(60),
  flow: amountIn('shower', 'flow', 1, 25).default(7),
  hardness: z.number().min(0).max(60, 'Hardness lies between 0 and 60 °dH.').default(10),
  hoseM: z.number().min(0).max(20, 'A hose is up to 20 m.').default(2),
  heater: z.enum(['tank', 'tankless']).default('tank'),
  tankL: amountIn('tank', 'bigVolume', 0, 1000).default(200),
  heaterKw: z.number().min(0.5).max(60, 'A heater has 0.5 to 60 kW.').default(3),
})
export type WaterSupply = z.infer<typeof WaterSupply>

/** Heaters as homes commonly have them, until one's own is known. */
export const USUAL_HEATERS = constants({
  largeTank: practice(200, 'L', [150, 300]),
  largeKw: practice(3, 'kW', [2, 6]),
  smallTank: practice(80, 'L', [50, 120]),
  smallKw: practice(2, 'kW', [1.5, 3]),
  tanklessKw: practice(21, 'kW', [11, 27]),
})

/** What a kind of heater sets in the house's water. */
export const HEATERS = {
  largeTank: { heater: 'tank', tankL: USUAL_HEATERS.largeTank.value, heaterKw: USUAL_HEATERS.largeKw.value },
  smallTank: { heater: 'tank', tankL: USUAL_HEATERS.smallTank.value, heaterKw: USUAL_HEATERS.smallKw.value },
  tankless: { heater: 'tankless', tankL: 0, heaterKw: USUAL_HEATERS.tanklessKw.value },
} as const satisfies Record<string, Partial<WaterSupply>>

/** Litres per minute of hot water that a heater makes: R = P·eff/(ρ·c·(Th − Tc)). kW and °C. */
export function recovery(heaterKw: number, rise: number, efficiency = 1): number {
  return (60 * heaterKw * efficiency) / (SUPPLY.density.value * SUPPLY.heatCapacity.value * rise)
}

/** What one draw leaves of the tank, L, and the minute it runs short, if it does. */
export interface Draw {
  left: number
  shortAt?: number
}

/**
 * Hot litres left after drawing `hotShare·flow` for `minutes` from a tank that holds `hot` litres:
 * dH/dt = R − x·flow, 0 ≤ H ≤ usable share of the tank (plug flow). `shortAt` is the minute H reaches 0.
 */
export function drawTank(supply: WaterSupply, hot: number, hotShare: number, minutes: number): Draw {
  const full = SUPPLY.usable.value * supply.tankL
  const made = recovery(supply.heaterKw, supply.hotC - supply.coldC, SUPPLY.efficiency.value)
  const net = made - hotShare * supply.flow
  const end = hot + net * minutes
  if (net < 0 && end < 0) return { left: 0, shortAt: hot / -net }
  return { left: Math.min(full, end) }
}

/** Temperature at the shower once the tank is empty: Tc + (Th − Tc)·R/flow, °C, never above Th. */
export function emptyTankTemperature(supply: WaterSupply): number {
  const rise = supply.hotC - supply.coldC
  const share = recovery(supply.heaterKw, rise, SUPPLY.efficiency.value) / supply.flow
  return supply.coldC + rise * Math.min(1, share)
}

/** Most litres per minute a tankless heater can warm by `rise` K. */
export function tanklessFlow(heaterKw: number, rise: number): number {
  return recovery(heaterKw, rise)
}

/** Litres of cold water standing in the hose after a pause: run off before the dog. */
export function hoseVolume(hoseM: number): number {
  return hoseM * SUPPLY.hosePerMetre.value
}
