import type { BreederSet, LineGroup, LineHistory } from '#core/lines'

/** Grades of one keeper over rungs, both sexes together. */
export const graded = (counts: readonly number[], grader = 'A'): LineGroup['gradings'][number] => ({
  grader,
  sex: 'mixed',
  cells: counts.map((number, k) => ({ from: k, to: k, number })),
})

export const bred = (groupId: string, rungs: readonly number[], sex: BreederSet['sex'], grader = 'A'): BreederSet => ({
  ...{ groupId, sex, rungs, grader },
  number: rungs.reduce((a, b) => a + b, 0),
})

/** A line in one glass: founders, then each generation bred of the one before. */
export function lineOf(
  generations: readonly { counts: readonly number[]; kept: readonly number[] }[],
  more: Partial<LineGroup> = {},
): LineHistory {
  return {
    rungs: generations[0]!.counts.length,
    groups: generations.map(({ counts }, t) => ({
      id: `g${t}`,
      size: counts.reduce((a, b) => a + b, 0),
      breeders:
        t === 0 ? [] : (['male', 'female'] as const).map(sex => bred(`g${t - 1}`, generations[t - 1]!.kept, sex)),
      period: `p${t}`,
      gradings: [graded(counts)],
      twice: [],
      ...more,
    })),
  }
}
