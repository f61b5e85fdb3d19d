import { possibleRange, type ValueKey } from '#core/records'
import type { ValueVerdict } from '#core/water'

/** Whether a typed value is taken without a question, asked about once, or cannot be. */
export type Plausibility = 'fine' | 'surprising' | 'impossible'

/** Doubts of the last reading that a value may lie away from it without a question (from memory). */
const FAR = 6

/**
 * Looks at a value as it is typed: "pH 71" cannot be; a KH of 12 where it was 3 last week may be a slip.
 * @param verdict what is known of the value so far, when anything is
 */
export function plausibility(key: ValueKey, value: number, verdict: ValueVerdict | undefined): Plausibility {
  const [least, most] = possibleRange[key]
  if (value < least || value > most) return 'impossible'
  if (!verdict?.latest) return 'fine'
  const [low, high] = verdict.tolerated
  const width = Math.max(verdict.target.preferred[1] - verdict.target.preferred[0], 1e-9)
  const far = Math.abs(value - verdict.latest.value) > Math.max(FAR * verdict.latest.sd, 1.5 * width)
  return far && (value < low || value > high) ? 'surprising' : 'fine'
}
