import { WEEK_MS } from '#core/records'

/** What keepers do without a model, now and in eight weeks. */
export interface Simple {
  now: number
  in8: number
}
interface Seen {
  at: number
  value: number
}

const WEEKS = 8

/** The last count is still right, and will be. */
export const carriedForward = (seen: readonly Seen[], _nowMs: number): Simple => ({
  now: seen.at(-1)!.value,
  in8: seen.at(-1)!.value,
})

/** A straight line through the logarithms of all counts, by least squares. */
export function logLinearFit(seen: readonly Seen[], nowMs: number): Simple {
  if (seen.length < 2) return carriedForward(seen, nowMs)
  const x = seen.map(s => (s.at - nowMs) / WEEK_MS)
  const y = seen.map(s => Math.log(Math.max(s.value, 0.5)))
  const mx = x.reduce((a, b) => a + b, 0) / x.length
  const my = y.reduce((a, b) => a + b, 0) / y.length
  const sxx = x.reduce((s, v) => s + (v - mx) ** 2, 0)
  const slope = sxx > 0 ? x.reduce((s, v, i) => s + (v - mx) * (y[i]! - my), 0) / sxx : 0
  const at = (weeks: number) => Math.exp(my + slope * (weeks - mx))
  return { now: at(0), in8: at(WEEKS) }
}
