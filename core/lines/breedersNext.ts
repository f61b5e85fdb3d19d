import { type BreederSet, bothSexes } from './history'
import type { LineRead } from './lineHistory'
import { graderOf, SOMEBODY } from './gradings'
import { bestOf } from './picks'

/** Breeders of whom nothing is known: so many of each sex (from memory). */
const USUAL = 8

/**
 * Who breeds next of a line: those that are at it, or else the best of the newest graded generation, as many of each
 * sex as the last time.
 */
export function breedersNext({ history, generations, running }: LineRead): BreederSet[] {
  if (bothSexes(running)) return running
  const newest = generations.findLast(g => g.counts.some(n => n > 0))
  if (!newest) return []
  const last = history.groups.at(-1)!.breeders
  const half = newest.counts.map(n => n / 2)
  return (['male', 'female'] as const).map(sex => {
    const told = last.filter(b => b.sex === sex).reduce((n, b) => n + b.number, 0)
    const rungs = bestOf(half, told || USUAL)
    const grader = newest.gradings[0] ? graderOf(newest.gradings[0]) : SOMEBODY
    return { groupId: newest.id, sex, number: rungs.reduce((a, b) => a + b, 0), rungs, grader }
  })
}
