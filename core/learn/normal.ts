/** Coefficients of a rational approximation of the normal quantile (P. J. Acklam 2003; values from memory, held against jstat). */
const A = [
  -3.969683028665376e1, 2.209460984245205e2, -2.759285104469687e2, 1.38357751867269e2, -3.066479806614716e1,
  2.506628277459239,
]
const B = [-5.447609879822406e1, 1.615858368580409e2, -1.556989798598866e2, 6.680131188771972e1, -1.328068155288572e1]
const C = [
  -7.784894002430293e-3, -3.223964580411365e-1, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
]
const D = [7.784695709041462e-3, 3.224671290700398e-1, 2.445134137142996, 3.754408661907416]
const EDGE = 0.02425

const poly = (coefficients: readonly number[], x: number) => coefficients.reduce((sum, c) => sum * x + c, 0)

/** The standard normal deviate below which a share of 0 to 1 (both excluded) lies; within 1.2e-9 of exact, relatively. */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1)) throw new RangeError('a share lies between 0 and 1')
  if (share < EDGE) {
    const q = Math.sqrt(-2 * Math.log(share))
    return poly(C, q) / (poly(D, q) * q + 1)
  }
  if (share > 1 - EDGE) return -normalQuantile(1 - share)
  const q = share - 0.5
  const r = q * q
  return (poly(A, r) * q) / (poly(B, r) * r + 1)
}
