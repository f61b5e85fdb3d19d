import type { Id } from '#core/records'

/** Whose grades they are: one sex, or both where nobody told them apart. */
export type GradedSex = 'female' | 'male' | 'mixed'

/**
 * How many stood on some rungs: on one of today's, or, where an old rung was split, on one of several that it went
 * into.
 */
export interface RungCell {
  /** lowest and highest rung of today's ladder, from 0 */
  from: number
  to: number
  number: number
}

/** What is said of how graded animals grew up. */
export interface Upbringing {
  /** about how old they were, weeks */
  ageWeeks?: number
  /** about how long, or how wide, they were, mm */
  sizeMm?: number
  /** how well they were fed while they grew */
  food?: 'sparse' | 'usual' | 'rich'
  /** how warm their water was while they grew */
  temperatureC?: number
}

/** One keeper's grades of a group. The cells are all rungs of the ladder of that day, those with nobody as well. */
export interface GroupGrading {
  grader: string
  sex: GradedSex
  cells: readonly RungCell[]
  /** how they grew up; where it is missing as is usual in the line */
  raised?: Upbringing
}

/** The same animals graded by two keepers: rows are the rungs of the first, columns those of the second. */
export interface GradedTwice {
  graders: readonly [string, string]
  table: readonly (readonly number[])[]
  raised?: Upbringing
}

/** Animals that bred, all of one group and one sex. */
export interface BreederSet {
  groupId: Id
  sex: GradedSex
  number: number
  /** of each rung, lowest first; null where they were taken without regard to it */
  rungs: readonly number[] | null
  /** who put them on their rungs */
  grader: string
  /** those of them that are known one by one; of the same sex, and no more than there are */
  followed?: readonly Id[]
  /** how many of the next group are their young, of each sex the same; where missing all breeders have as many */
  young?: number
}

/** How much of the next group is theirs: by their young where these are known, and else by how many they are. */
export const heldBy = ({ young, number }: { young?: number | undefined; number: number }): number => young ?? number

/** Breeders as whole animals, at least one. */
export const breedingIn = ({ number }: Pick<BreederSet, 'number'>): number => Math.max(1, Math.round(number))

/** Those of an earlier group that are still there, where a colony breeds all the time. */
export interface Stayed {
  /** part of the grown that they are */
  share: number
  breeders: BreederSet
}

/** Animals of one generation in one place. Founders have no breeders. */
export interface LineGroup {
  id: Id
  /** grown animals in it, of whom breeders are taken */
  size: number
  breeders: readonly BreederSet[]
  /** where it breeds all the time: whom the young of its breeders have joined */
  stayed?: Stayed
  /** groups that grew up at the same time and in the same way have one name here, and one environment */
  period: string
  gradings: readonly GroupGrading[]
  twice: readonly GradedTwice[]
  /** nobody chose who bred it: it tells years apart from breeding, and is no generation of the line that is told */
  spare?: true
}

/** All that the log says of a line's grades on one ladder: parents before their young. */
export interface LineHistory {
  /** rungs of today's ladder */
  rungs: number
  groups: readonly LineGroup[]
}

/** All keepers who graded, the one with most animals first: the ladder is told as that one sees it. */
export function gradersOf(history: LineHistory): string[] {
  const seen = new Map<string, number>()
  const add = (grader: string, number: number) => seen.set(grader, (seen.get(grader) ?? 0) + number)
  for (const { gradings, twice, breeders } of history.groups) {
    for (const { grader, cells } of gradings) add(grader, gradedIn(cells))
    for (const pair of twice) for (const grader of pair.graders) add(grader, gradedTwiceIn(pair))
    for (const { grader } of breeders) add(grader, 0)
  }
  return [...seen].toSorted((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([grader]) => grader)
}

/** Whether some of each sex breed; of animals that nobody told apart both are taken to be there. */
export function bothSexes(breeders: readonly Pick<BreederSet, 'sex' | 'number'>[]): boolean {
  const has = (sex: GradedSex) => breeders.some(b => b.number > 0 && (b.sex === sex || b.sex === 'mixed'))
  return has('male') && has('female')
}

/** Animals in some cells of a grading. */
export const gradedIn = (cells: readonly Pick<RungCell, 'number'>[]): number =>
  cells.reduce((sum, c) => sum + c.number, 0)
/** Animals in a table of two keepers. */
export const gradedTwiceIn = ({ table }: GradedTwice): number => table.flat().reduce((a, b) => a + b, 0)
