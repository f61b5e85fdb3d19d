import normalCdf from '@stdlib/stats-base-dists-normal-cdf'
import { runLength } from './runLength'

/** A cumulative sum chart of standardised values: what is allowed for in each, and the limit. */
export interface CusumChart {
  /** allowance: half the shift that is to be found, in standard deviations */
  k: number
  /** decision limit, in standard deviations */
  h: number
}

/** The two sums after each value, upward and downward, and whether one is over the limit. */
export interface CusumPoint {
  up: number
  down: number
  signal: boolean
}

/**
 * Tabular cumulative sums: C⁺ = max(0, C⁺ + z − k), C⁻ = max(0, C⁻ − z − k); a signal above h.
 * Source: Page (1954), Biometrika 41: 100; the form of Montgomery, Introduction to Statistical Quality Control, ch. 9.
 * @param values standardised: off their target, in standard deviations
 */
export function cusum(values: readonly number[], { k, h }: CusumChart): CusumPoint[] {
  let up = 0
  let down = 0
  return values.map(z => {
    up = Math.max(0, up + z - k)
    down = Math.max(0, down - z - k)
    return { up, down, signal: up > h || down > h }
  })
}

/** States that a sum is cut into: run lengths of the usual charts come out within a thousandth. */
const STATES = 120

/**
 * Average run length of the chart for normal values: how many until it signals, from a start at nothing.
 * @param shift of the mean, in standard deviations; upwards
 * @param sided one sum alone, or both
 */
export function cusumRunLength(
  { k, h }: CusumChart,
  { shift, sided }: { shift: number; sided: 'one' | 'two' },
): number {
  const up = oneSided(k, h, shift)
  if (sided === 'one') return up
  // neither sum can be above nothing by more than 2k while the other is: their signals come as from two charts
  return 1 / (1 / up + 1 / oneSided(k, h, -shift))
}

function oneSided(k: number, h: number, shift: number): number {
  const width = h / (STATES - 0.5)
  const below = (units: number) => normalCdf((units + 0.5) * width, shift - k, 1)
  // a move by so many units is one to anywhere in that cell; what falls below nothing ends at nothing all the same
  const moves = Array.from({ length: 2 * STATES + 1 }, (_, i) => {
    const by = i - STATES
    return { chance: by === -STATES ? below(by) : below(by) - below(by - 1), by }
  })
  return runLength(moves, STATES - 1)
}
