import { format } from 'date-fns'
import type { GradedGeneration } from '#core/lines'

const ordinals = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth', 'Seventh', 'Eighth', 'Ninth', 'Tenth']

/** "Fourth, now"; "Second, Apr 2026" */
export function generationName(
  { n, fromMs }: Pick<GradedGeneration, 'n' | 'fromMs'>,
  newest: boolean,
  nowMs: number,
): string {
  const nth = ordinals[n - 1] ?? `No. ${n}`
  const year = new Date(fromMs).getFullYear() === new Date(nowMs).getFullYear() ? '' : ' yyyy'
  return `${nth}, ${newest ? 'now' : format(fromMs, `MMM${year}`)}`
}
