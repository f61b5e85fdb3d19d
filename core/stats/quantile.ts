/**
 * Quantile of values that are already in rising order, by linear interpolation between neighbours.
 * Source: Hyndman & Fan (1996), definition 7.
 * @param sorted values in rising order, at least one
 * @param p share below the quantile, 0 to 1
 * @throws RangeError for no values or a share outside 0 to 1
 */
export function quantileSorted(sorted: ArrayLike<number>, p: number): number {
  if (sorted.length === 0) throw new RangeError('quantileSorted needs at least one value, got none')
  if (!(p >= 0 && p <= 1)) throw new RangeError(`p must lie in 0 to 1, got ${p}`)
  const position = (sorted.length - 1) * p
  const below = Math.floor(position)
  const low = sorted[below]!
  const high = sorted[Math.min(below + 1, sorted.length - 1)]!
  return low + (high - low) * (position - below)
}
