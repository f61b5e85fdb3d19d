import { makeCase } from './colonies'
import { inEveryGroup, middle } from './summing'

/**
 * What luck alone leaves of the coming weeks: how far off somebody would be who knew every animal of a colony, its
 * rates and its room. The same life is lived to the asking day and on by other luck; the middle of these answers is
 * held against what came.
 */
export interface LuckResult {
  groupId: string
  /** |log(answer/truth)| in eight weeks */
  off: number
}

const LIVES = 15

export const luckAlone = (seeds: readonly number[]): LuckResult[] =>
  inEveryGroup(seeds, (groupId, seed) => {
    const lived = (ahead: number) => Math.log(Math.max(0.5, makeCase(groupId, seed, { ahead }).truth.in8))
    const others = Array.from({ length: LIVES }, (_, k) => lived(k + 1))
    return [{ groupId, off: Math.abs(middle(others) - lived(0)) }]
  })

/** Median error, as a share. */
export const summariseLuck = (results: readonly LuckResult[]) => ({
  colonies: results.length,
  error: Math.expm1(middle(results.map(r => r.off))),
})
