import type { GradedTwice, GroupGrading, LineHistory, Upbringing } from './history'

/** What moves a trait beside genes, and is said with a grading. */
export interface Condition {
  key: keyof Upbringing
  /** as a number; nothing where nobody said it */
  read(said: Upbringing): number | undefined
  /** steps of it above the usual one */
  steps(value: number, usual: number): number
  /** what one step adds, in standard deviations of the trait, and how well that is known; from memory */
  prior: { mean: number; sd: number }
}

const doublings = (value: number, usual: number) => Math.log2(Math.max(1, value) / Math.max(1, usual))
const FED = { sparse: -1, usual: 0, rich: 1 } as const

/**
 * Colours deepen with age and size, and with food; warmth hastens growth and bleaches some, so that it may go either
 * way. All from memory: what a line itself shows soon outweighs it.
 */
export const CONDITIONS: readonly Condition[] = [
  { key: 'ageWeeks', read: s => s.ageWeeks, steps: doublings, prior: { mean: 0.2, sd: 0.2 } },
  // of those whose age is known size says little more
  {
    key: 'sizeMm',
    read: s => (s.ageWeeks === undefined ? s.sizeMm : undefined),
    steps: doublings,
    prior: { mean: 0.2, sd: 0.2 },
  },
  { key: 'food', read: s => s.food && FED[s.food], steps: (v, usual) => v - usual, prior: { mean: 0.1, sd: 0.1 } },
  { key: 'temperatureC', read: s => s.temperatureC, steps: (v, usual) => v - usual, prior: { mean: 0, sd: 0.05 } },
]

/** A condition under which the animals of a line differed, and the middle of what was said of it. */
export interface Differed {
  condition: Condition
  usual: number
}

const saidIn = ({ groups }: LineHistory): Upbringing[] =>
  groups.flatMap(g => [...g.gradings, ...g.twice]).flatMap(({ raised }) => raised ?? [])

/** The conditions that differ between gradings; one that is always the same tells nothing. */
export function differedIn(history: LineHistory): Differed[] {
  const said = saidIn(history)
  return CONDITIONS.flatMap(condition => {
    const values = said.flatMap(s => condition.read(s) ?? []).toSorted((a, b) => a - b)
    return new Set(values).size > 1 ? [{ condition, usual: values[Math.floor(values.length / 2)]! }] : []
  })
}

/**
 * What it adds to the trait that animals grew up in another way than usual.
 * @param slopes what one step of each condition adds
 */
export const raisedBy = (
  differed: readonly Differed[],
  slopes: readonly number[],
  said: Upbringing | undefined,
): number =>
  differed.reduce((sum, { condition, usual }, i) => {
    const value = said && condition.read(said)
    return value === undefined ? sum : sum + slopes[i]! * condition.steps(value, usual)
  }, 0)

/** How the animals of a group grew up: whoever said something of it first. */
export function upbringingOf(gradings: readonly Pick<GroupGrading | GradedTwice, 'raised'>[]): Upbringing {
  return Object.assign({}, ...gradings.toReversed().map(g => g.raised ?? {})) as Upbringing
}
