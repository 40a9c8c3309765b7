import type { Said } from '../said'
import { WATER } from './target'

declare module '../said' {
  interface Codes {
    'tap.hotNoWarmer': { hotC: number; coldC: number }
    'tap.hotTooCool': { hotC: number; targetC: number }
    'tap.coldTooWarm': { coldC: number; targetC: number }
  }
}

/**
 * What the two taps give for a wanted temperature: the share of hot water, 0 to 1, and °C that come of it. Where
 * they can't make it, `why` says so, and the nearest they can is given.
 */
export interface TapMix {
  ok: boolean
  hotShare: number
  celsius: number
  why?: Said<'tap.hotNoWarmer' | 'tap.hotTooCool' | 'tap.coldTooWarm'>
}

/**
 * Share of hot water in a mix at `target` °C: x = (T − Tc)/(Th − Tc), the heat balance of two streams
 * of equal heat capacity. Outside what the two supplies span, all of the nearer one: a cold tap warmer than the
 * bath leaves no hot water in it.
 */
export function mixTap(target: number, coldC: number, hotC: number): TapMix {
  if (hotC <= coldC) {
    const hotShare = target < coldC ? 0 : 1
    return { ok: false, hotShare, celsius: hotC, why: { code: 'tap.hotNoWarmer', facts: { hotC, coldC } } }
  }
  if (target > hotC)
    return { ok: false, hotShare: 1, celsius: hotC, why: { code: 'tap.hotTooCool', facts: { hotC, targetC: target } } }
  if (target < coldC)
    return {
      ok: false,
      hotShare: 0,
      celsius: coldC,
      why: { code: 'tap.coldTooWarm', facts: { coldC, targetC: target } },
    }
  return { ok: true, hotShare: (target - coldC) / (hotC - coldC), celsius: target }
}

/** Temperature in °C of two streams or volumes of water poured together. Amounts in any one unit, not both 0. */
export function mixedTemperature(amountA: number, celsiusA: number, amountB: number, celsiusB: number): number {
  return (amountA * celsiusA + amountB * celsiusB) / (amountA + amountB)
}

/**
 * How warm the water of a mix must be so that, with product at room temperature, it comes to `target` °C. Never at
 * the nozzle's alarm or over it: a strong mix then stays a little cooler than the bath.
 */
export function waterForMix(target: number, product: number, water: number, roomC: number): number {
  const wanted = (target * (product + water) - roomC * product) / water
  return Math.min(wanted, WATER.alarm.value - WATER.mixBelowAlarm.value)
}
