import { logChoose } from './logChoose'
import { zQuantile } from './normal'

/** How many of how many. */
export interface Share {
  x: number
  n: number
}

/**
 * Interval of a share by Wilson (1927), J. Am. Stat. Assoc. 22: 209, without continuity correction: never outside 0 to
 * 1 and good also for few.
 * @param level of the interval
 */
export function wilsonInterval({ x, n }: Share, level: number): [number, number] {
  const z = zQuantile((1 + level) / 2)
  const p = x / n
  const middle = (p + (z * z) / (2 * n)) / (1 + (z * z) / n)
  const half = (z * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n))) / (1 + (z * z) / n)
  return [Math.max(0, middle - half), Math.min(1, middle + half)]
}

/**
 * Difference of two shares with its interval: Newcombe (1998), Stat. Med. 17: 873, method 10, from the Wilson intervals
 * of each.
 */
export function shareDifference(one: Share, other: Share, level: number): { value: number; low: number; high: number } {
  const [p, q] = [one.x / one.n, other.x / other.n]
  const [pLow, pHigh] = wilsonInterval(one, level)
  const [qLow, qHigh] = wilsonInterval(other, level)
  return {
    value: p - q,
    low: p - q - Math.hypot(p - pLow, qHigh - q),
    high: p - q + Math.hypot(pHigh - p, q - qLow),
  }
}

/** Tables that are as likely as this one but for rounding count as such. */
const AS_LIKELY = 1 + 1e-7

/**
 * Chance that two shares which are the same in truth differ as these do, or are less likely still: Fisher's exact test,
 * two-sided.
 */
export function fisherP(one: Share, other: Share): number {
  const luck = one.x + other.x
  const chances: number[] = []
  for (let x = Math.max(0, luck - other.n); x <= Math.min(luck, one.n); x++)
    chances.push(Math.exp(logChoose(one.n, x) + logChoose(other.n, luck - x) - logChoose(one.n + other.n, luck)))
  const here = chances[one.x - Math.max(0, luck - other.n)]!
  return Math.min(
    1,
    chances.filter(c => c <= here * AS_LIKELY).reduce((a, b) => a + b, 0),
  )
}
