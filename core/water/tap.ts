import { say } from '../units'

/** What the two taps give for a wanted temperature, or why they can't. Shares 0 to 1. */
export type TapMix = { ok: true; hotShare: number } | { ok: false; why: string }

/**
 * Share of hot water in a mix at `target` °C: x = (T − Tc)/(Th − Tc), the heat balance of two streams
 * of equal heat capacity. Refused outside what the two supplies span.
 */
export function mixTap(target: number, coldC: number, hotC: number): TapMix {
  if (hotC <= coldC) return { ok: false, why: `The hot tap (${say(hotC)} °C) is no warmer than the cold one.` }
  if (target > hotC) return { ok: false, why: `The hot tap gives ${say(hotC)} °C; ${say(target)} °C can't be reached.` }
  if (target < coldC)
    return { ok: false, why: `The cold tap gives ${say(coldC)} °C; ${say(target)} °C can't be reached.` }
  return { ok: true, hotShare: (target - coldC) / (hotC - coldC) }
}

/** Temperature in °C of two streams or volumes of water poured together. Amounts in any one unit, not both 0. */
export function mixedTemperature(amountA: number, celsiusA: number, amountB: number, celsiusB: number): number {
  return (amountA * celsiusA + amountB * celsiusB) / (amountA + amountB)
}

/** How warm the water must be so that, with product at room temperature, the mix comes to `target` °C. */
export function waterForMix(target: number, product: number, water: number, roomC: number): number {
  return (target * (product + water) - roomC * product) / water
}
