import { type EntryOf, type Id, type Ladder, presentRungs, type RungCount, spanOf, wordRungId } from '#core/records'
import type { GradedSex, GradedTwice, GroupGrading, RungCell, Upbringing } from './history'

type Grading = EntryOf<'grading'>
/** Who graded, where nobody signed. */
export const SOMEBODY = '–'
export const graderOf = ({ keeper }: Pick<Grading, 'keeper'>): string => keeper ?? SOMEBODY

/** What a session says of how its animals grew up; nothing where it says nothing. */
export function raisedIn({ ageWeeks, sizeMm, food, temperatureC }: Grading): Upbringing | undefined {
  const said = {
    ...(ageWeeks !== undefined && { ageWeeks }),
    ...(sizeMm !== undefined && { sizeMm }),
    ...(food && { food }),
    ...(temperatureC !== undefined && { temperatureC }),
  }
  return Object.keys(said).length > 0 ? said : undefined
}

/** What a grading says on a ladder: rungs by their ids, old words by the rungs that they stand for. */
export function seenIn(entry: Grading, ladder: Pick<Ladder, 'id' | 'rungs'>): RungCount[] {
  const words = (entry.grades ?? []).map(g => ({
    rungId: wordRungId(ladder.id, g.grade),
    sex: 'unknown' as const,
    number: g.number,
  }))
  const seen = entry.ladderId === ladder.id ? (entry.seen ?? []) : []
  const known = new Set(ladder.rungs.map(r => r.id))
  return [...words, ...seen].filter(s => known.has(s.rungId) && s.number > 0)
}

/** How many rungs an old rung went into, and who stands on them by today's ladder, each place an even part. */
export function countsOn(ladder: Pick<Ladder, 'rungs'>, seen: readonly RungCount[]): number[] {
  const counts = presentRungs(ladder).map(() => 0)
  for (const { rungId, number } of seen) {
    const span = spanOf(ladder, rungId)
    if (!span) continue
    const wide = span.to - span.from + 1
    for (let k = span.from; k <= span.to; k++) counts[k]! += number / wide
  }
  return counts
}

const sexes: readonly { sex: GradedSex; of: RungCount['sex'] }[] = [
  { sex: 'female', of: 'female' },
  { sex: 'male', of: 'male' },
  { sex: 'mixed', of: 'unknown' },
]

/** A grading as the model reads it, each sex for itself; an old rung that was split stays a stretch of today's. */
export function gradingsOf(
  seen: readonly RungCount[],
  ladder: Pick<Ladder, 'rungs'>,
  { grader, raised }: Pick<GroupGrading, 'grader' | 'raised'>,
): GroupGrading[] {
  const by = { grader, ...(raised && { raised }) }
  const rungs = presentRungs(ladder).length
  return sexes.flatMap(({ sex, of }) => {
    const own = seen.filter(s => s.sex === of)
    if (own.length === 0) return []
    const cells = new Map<string, RungCell>()
    const add = (from: number, to: number, number: number) => {
      const key = `${from} ${to}`
      cells.set(key, { from, to, number: (cells.get(key)?.number ?? 0) + number })
    }
    for (const { rungId, number } of own) {
      const span = spanOf(ladder, rungId)
      if (span) add(span.from, span.to, number)
    }
    // rungs on which nobody stood count too
    const covered = new Set([...cells.values()].flatMap(c => range(c.from, c.to)))
    for (const k of range(0, rungs - 1)) if (!covered.has(k)) add(k, k, 0)
    return cells.size > 0 ? [{ ...by, sex, cells: [...cells.values()].sort((a, b) => a.from - b.from) }] : []
  })
}
const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i)

/** Two keepers' grades of the same animals in one order. */
export interface Paired {
  first: Grading
  second: Grading
  twice: GradedTwice
}

/**
 * Sessions in which a second keeper graded the animals of a first one again. Both told them one by one; where the
 * second stopped earlier, the pairs end there. An old rung that was split stands for the lowest that came of it.
 */
export function pairedSessions(entries: readonly Grading[], ladder: Ladder): Paired[] {
  const rungs = presentRungs(ladder).length
  const place = (rungId: Id) => spanOf(ladder, rungId)?.from
  return entries.flatMap(second => {
    const first = entries.find(e => e.id === second.againOf)
    if (!first?.inOrder || !second.inOrder || first.ladderId !== ladder.id || second.ladderId !== ladder.id) return []
    const table = Array.from({ length: rungs }, () => new Array<number>(rungs).fill(0))
    for (const [i, { rungId }] of (second.seen ?? []).entries()) {
      const other = first.seen?.[i]
      const [a, b] = [other && place(other.rungId), place(rungId)]
      if (a !== undefined && b !== undefined) table[a]![b]!++
    }
    const raised = raisedIn(first)
    const twice = { graders: [graderOf(first), graderOf(second)] as const, table }
    return [{ first, second, twice: { ...twice, ...(raised && { raised }) } }]
  })
}
