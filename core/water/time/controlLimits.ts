/** Limits within which a value keeps by its own ordinary scatter. */
export interface ControlLimits {
  centre: number
  low: number
  high: number
  sigma: number
  /** indexes of readings outside */ outside: number[]
}

/**
 * Mean moving range of two by standard deviation of normal scatter (Montgomery, Introduction to Statistical Quality
 * Control: d2 = 1.128).
 */
const D2 = 1.128
const FEWEST = 6

/**
 * Control limits of single readings (individuals chart): mean and mean moving range of the first readings, 3 sigma to
 * both sides. They say what is ordinary for this tank, not what is good for the animals.
 * @param values readings in order of time
 * @param baseline how many of the first readings to learn from
 * @returns null with fewer than six readings
 */
export function controlLimits(values: readonly number[], baseline = 12): ControlLimits | null {
  if (values.length < FEWEST) return null
  const learn = values.slice(0, Math.max(FEWEST, baseline))
  const centre = learn.reduce((s, v) => s + v, 0) / learn.length
  let range = 0
  for (let i = 1; i < learn.length; i++) range += Math.abs(learn[i]! - learn[i - 1]!)
  const sigma = range / (learn.length - 1) / D2
  const low = centre - 3 * sigma
  const high = centre + 3 * sigma
  return { centre, low, high, sigma, outside: values.flatMap((v, i) => (v < low || v > high ? [i] : [])) }
}

/** A smoothed path with its limits, one point a reading. */
export interface EwmaPoint {
  value: number
  low: number
  high: number
  outside: boolean
}

/**
 * Exponentially weighted moving average with time-varying limits (Roberts 1959; Lucas & Saccucci 1990): sees small
 * slides that single readings hide. Z_t = λ·x_t + (1 − λ)·Z_(t−1), limits centre ± L·σ·√(λ/(2 − λ)·(1 − (1 − λ)^2t)).
 * @param values readings in order of time
 * @param centre where the path starts
 * @param sigma scatter of single readings, 0 or more
 * @param lambda weight of the newest reading, 0.2 as usual
 * @param width L, 2.86 for a false alarm in about 370 readings
 * @throws RangeError for λ outside (0, 1]
 */
export function ewma(
  values: readonly number[],
  centre: number,
  sigma: number,
  { lambda = 0.2, width = 2.86 }: { lambda?: number; width?: number } = {},
): EwmaPoint[] {
  if (!(lambda > 0 && lambda <= 1)) throw new RangeError(`lambda must lie above 0 and at most 1, got ${lambda}`)
  let z = centre
  return values.map((x, i) => {
    z = lambda * x + (1 - lambda) * z
    const half = width * sigma * Math.sqrt((lambda / (2 - lambda)) * (1 - (1 - lambda) ** (2 * (i + 1))))
    return { value: z, low: centre - half, high: centre + half, outside: Math.abs(z - centre) > half }
  })
}
