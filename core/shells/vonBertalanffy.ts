import { leastBetween } from '#core/stats'

/**
 * Growth that slows the nearer an animal comes to its full size: L(t) = L∞ (1 − e^(−k (t − t0))).
 * Source: von Bertalanffy (1938), Hum. Biol. 10: 181.
 */
export interface GrowthCurve {
  /** full size, mm */
  mostMm: number
  /** how fast the rest is made up, per week */
  k: number
  /** age at which the curve begins at nothing, weeks */
  t0: number
}

/** Size at an age, mm. */
export const sizeAt = ({ mostMm, k, t0 }: GrowthCurve, weeks: number): number => mostMm * -Math.expm1(-k * (weeks - t0))

/** Age at a size, weeks; infinite from the full size on. */
export const ageAt = ({ mostMm, k, t0 }: GrowthCurve, mm: number): number =>
  mm < mostMm ? t0 - Math.log1p(-mm / mostMm) / k : Infinity

/** What grows on a curve in some weeks from a size on, mm; negative above the full size (Fabens 1965). */
export const grownIn = ({ mostMm, k }: Pick<GrowthCurve, 'mostMm' | 'k'>, mm: number, weeks: number): number =>
  (mostMm - mm) * -Math.expm1(-k * weeks)

/** Growth at a size, mm a week; none from the full size on. */
export const mmPerWeek = ({ mostMm, k }: Pick<GrowthCurve, 'mostMm' | 'k'>, mm: number): number =>
  Math.max(0, k * (mostMm - mm))

/** The curve through a size at hatching, at age nought. */
export const curveFrom = (hatchMm: number, mostMm: number, k: number): GrowthCurve => ({
  mostMm,
  k,
  t0: Math.log1p(-hatchMm / mostMm) / k,
})

/** k is sought between these, per week: no shell grows slower or faster. */
const SLOWEST = 1e-3
const FASTEST = 3

/** Sums for a straight line y = a + b x by least squares. */
function line(x: readonly number[], y: readonly number[]): { a: number; b: number; rss: number } {
  const n = x.length
  const [mx, my] = [x.reduce((s, v) => s + v, 0) / n, y.reduce((s, v) => s + v, 0) / n]
  let [sxx, sxy] = [0, 0]
  for (let i = 0; i < n; i++) {
    sxx += (x[i]! - mx) ** 2
    sxy += (x[i]! - mx) * (y[i]! - my)
  }
  const b = sxx > 0 ? sxy / sxx : 0
  const a = my - b * mx
  return { a, b, rss: y.reduce((s, v, i) => s + (v - a - b * x[i]!) ** 2, 0) }
}

/**
 * Least squares through sizes of known age. For a given k the curve is a straight line in e^(−kt), so that only k is
 * searched (variable projection; Golub & Pereyra 1973, SIAM J. Numer. Anal. 10: 413).
 * @param points at least three ages (weeks) with sizes (mm)
 * @returns the curve with the sum of squared residuals, mm²
 * @throws RangeError for fewer points
 */
export function fitSizes(points: readonly { weeks: number; mm: number }[]): GrowthCurve & { rss: number } {
  if (points.length < 3) throw new RangeError(`a growth curve needs at least three sizes, got ${points.length}`)
  const sizes = points.map(p => p.mm)
  const at = (logK: number) =>
    line(
      points.map(p => Math.exp(-Math.exp(logK) * p.weeks)),
      sizes,
    )
  const logK = leastBetween(x => at(x).rss, Math.log(SLOWEST), Math.log(FASTEST))
  const { a, b, rss } = at(logK)
  const k = Math.exp(logK)
  return { mostMm: a, k, t0: Math.log(-b / a) / k, rss }
}

/** What grew between two looks at one animal of unknown age. */
export interface Increment {
  firstMm: number
  weeks: number
  grownMm: number
}

/**
 * The curve of animals of unknown age, from what they grew between two looks: ΔL = (L∞ − L1)(1 − e^(−kΔt)). For a given
 * k it is a ratio in L∞.
 * Source: Fabens (1965), Growth 29: 265.
 * @param increments at least two
 * @throws RangeError for fewer
 */
export function fitIncrements(increments: readonly Increment[]): Pick<GrowthCurve, 'mostMm' | 'k'> & { rss: number } {
  if (increments.length < 2) throw new RangeError(`growth needs at least two increments, got ${increments.length}`)
  const at = (logK: number) => {
    const shares = increments.map(i => -Math.expm1(-Math.exp(logK) * i.weeks))
    const dot = (of: (i: Increment, share: number) => number) =>
      increments.reduce((sum, inc, n) => sum + of(inc, shares[n]!), 0)
    const mostMm = dot((i, s) => (i.grownMm + i.firstMm * s) * s) / dot((_, s) => s * s)
    return { mostMm, rss: dot((i, s) => (i.grownMm - (mostMm - i.firstMm) * s) ** 2) }
  }
  const logK = leastBetween(x => at(x).rss, Math.log(SLOWEST), Math.log(FASTEST))
  return { ...at(logK), k: Math.exp(logK) }
}
