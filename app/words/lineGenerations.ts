import { format } from 'date-fns'
import type { GradedGeneration, LineTold } from '#core/lines'
import { dayText } from './when'

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

/** "No. 4"; of a line that breeds all the time the day of its grading. */
export const shortName = (
  { n, fromMs }: Pick<GradedGeneration, 'n' | 'fromMs'>,
  { rolling }: Pick<LineTold, 'rolling'>,
  nowMs: number,
): string => (rolling ? dayText(fromMs, nowMs) : `No. ${n}`)

/** Names of all generations of a line; of one that breeds all the time the days on which it was graded. */
export const generationNames = ({ generations, rolling }: Pick<LineTold, 'generations' | 'rolling'>, nowMs: number) =>
  generations.map((g, t) =>
    rolling ? dayText(g.fromMs, nowMs) : generationName(g, t === generations.length - 1, nowMs),
  )

/** "6 females, 1 male (Flint)": who bred the next generation. */
export function bredText(bred: NonNullable<GradedGeneration['bred']>, names: string): string {
  const sum = (list: readonly number[]) => Math.round(list.reduce((a, b) => a + b, 0))
  const parts = [
    [sum(bred.females), 'female', 'females'],
    [sum(bred.males), 'male', 'males'],
    [sum(bred.mixed), 'of both', 'of both'],
  ] as const
  const text = parts.flatMap(([n, one, many]) => (n > 0 ? [`${n} ${n === 1 ? one : many}`] : [])).join(', ')
  return names ? `${text} (${names})` : text
}
