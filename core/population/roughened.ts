import { Z80 } from '#core/stats'
import type { BandPoint, PopulationAnswer, Range } from './question'

/** A quartile of a normal law, in standard deviations. */
const Z50 = 0.6745
/**
 * How far few possible colonies stray from many by chance alone, as a standard deviation of the logarithm: 0.15 over
 * the 69 colonies of three demo rooms (docs/science.md).
 */
const STRAYS = 0.15

/** One edge of a range further out: the range's own spread and the straying together, on the log scale. */
function further(middle: number, edge: number, z: number): number {
  if (middle <= 0 || edge <= 0) return edge
  const by = Math.log(edge / middle)
  return middle * Math.exp(Math.sign(by) * Math.hypot(by, z * STRAYS))
}

const range = <T extends Range>(r: T): T => ({
  ...r,
  low: further(r.value, r.low, Z80),
  high: further(r.value, r.high, Z80),
})
const band = (b: BandPoint): BandPoint => ({
  ...b,
  p10: further(b.p50, b.p10, Z80),
  p25: further(b.p50, b.p25, Z50),
  p75: further(b.p50, b.p75, Z50),
  p90: further(b.p50, b.p90, Z80),
})

/** A first look with the ranges that it deserves: what it says must not be taken back when the whole is told. */
export const roughened = (a: PopulationAnswer): PopulationAnswer => ({
  ...a,
  now: range(a.now),
  path: a.path.map(band),
  fan: a.fan.map(band),
  grown: { past: a.grown.past.map(range), ahead: a.grown.ahead.map(range) },
})
