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
