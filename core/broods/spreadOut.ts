/** Chances along a line, in even bins. */
export interface SpreadOut {
  first: number
  width: number
  /** share that lies below the upper edge of each bin */
  below: Float64Array
}

/**
 * Lays weighed values out in bins.
 * @param total of the weights, above 0
 */
export function spreadOut(values: Float64Array, weights: Float64Array, total: number, width: number): SpreadOut {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 0; i < values.length; i++) {
    if (!(weights[i]! > 0)) continue
    low = Math.min(low, values[i]!)
    high = Math.max(high, values[i]!)
  }
  const below = new Float64Array(Math.floor((high - low) / width) + 1)
  for (let i = 0; i < values.length; i++) {
    if (!(weights[i]! > 0)) continue
    const bin = Math.floor((values[i]! - low) / width)
    below[bin] = below[bin]! + weights[i]! / total
  }
  for (let bin = 1; bin < below.length; bin++) below[bin] = below[bin]! + below[bin - 1]!
  return { first: low, width, below }
}

/** Share that lies below a value. */
export function shareBelow({ first, width, below }: SpreadOut, value: number): number {
  const x = (value - first) / width
  if (x <= 0) return 0
  const bin = Math.floor(x)
  if (bin >= below.length) return 1
  const before = bin > 0 ? below[bin - 1]! : 0
  return before + (x - bin) * (below[bin]! - before)
}

/** The value below which a share lies, 0 to 1. */
export function valueAt({ first, width, below }: SpreadOut, share: number): number {
  const found = below.findIndex(b => b >= share)
  const bin = found < 0 ? below.length - 1 : found
  const before = bin > 0 ? below[bin - 1]! : 0
  const here = below[bin]! - before
  return first + (bin + (here > 0 ? Math.min(1, (share - before) / here) : 0)) * width
}
