import { mix32, STREAM_STEP, uniformAt } from '#core/stats'

/** The `n`-th number in [0, 1) of a particle's stream at an event: the same key, particle and number, the same luck. */
export const luckAt = (key: number, i: number, n: number): number =>
  uniformAt((mix32(key + Math.imul(i, STREAM_STEP)) + Math.imul(n, STREAM_STEP)) | 0)
