import { Z80 } from '#core/stats'
import type { Fit } from './fit'
import { spread80 } from './particles'
import type { Learnt, PopulationQuestion } from './question'
import type { StageRates } from './rates'
import { LOSSES, RECRUITS, ROOM, SEEN, SHAPE, SIGHT } from './stages'

/** Share of the variance of growth that the log has taken away. */
export function ownEvidence(fit: Fit, r: StageRates): number {
  const { cloud, size, spreads } = fit
  const prior = (r.growthByRecruits * spreads.recruits) ** 2 + (r.growthByLosses * spreads.losses) ** 2
  if (!(prior > 0)) return 0
  let sum = 0
  let squares = 0
  for (let i = 0; i < size; i++) {
    const g = r.growthByRecruits * cloud[RECRUITS * size + i]! + r.growthByLosses * cloud[LOSSES * size + i]!
    sum += g
    squares += g * g
  }
  const variance = squares / size - (sum / size) ** 2
  return Math.min(1, Math.max(0, 1 - variance / prior))
}

/** What was learnt of this colony, each beside what was held before any entry; only what may differ. */
export function learnt(fit: Fit, { spreads }: PopulationQuestion): Learnt[] {
  const { cloud, size } = fit
  return (
    [
      ['recruits', RECRUITS],
      ['losses', LOSSES],
      ['room', ROOM],
      ['shape', SHAPE],
      ['seen', SEEN],
      ['sight', SIGHT],
    ] as const
  ).flatMap(([name, row]) => {
    if (spreads[name] === 0) return []
    const sorted = Float64Array.from({ length: size }, (_, i) => Math.exp(cloud[row * size + i]!)).sort()
    return [
      {
        name,
        now: spread80(sorted),
        before: { value: 1, low: Math.exp(-Z80 * spreads[name]), high: Math.exp(Z80 * spreads[name]) },
      },
    ]
  })
}
