import { z } from 'zod'
import { derivedId } from './derivedId'
import { edited } from './editedFields'
import { Id } from './id'
import { Label } from './label'

/** A rung of a ladder. Its id is never used again: what it was split or joined into names it. */
export const Rung = z.strictObject({
  id: Id,
  words: Label,
  /** the higher the better */
  order: z.int().min(0).max(60),
  /** the rungs that it came from, where one was split or several were joined */
  from: z.array(Id).max(12).optional(),
  /** of one animal that stands on it, in the room's currency */
  priceEach: z.number().min(0, 'must be 0 or more').max(10_000, 'must be 10 000 at most').optional(),
})
export type Rung = z.infer<typeof Rung>

/** Rungs that a keeper may word: fewer tell nothing, more nobody can hold apart. */
export const RUNGS_LEAST = 3
export const RUNGS_MOST = 9

/** What one trait is graded by, from the dullest to the best. Rungs that were split stay, for the old grades. */
export const Ladder = z
  .strictObject({
    ...edited,
    roomId: Id,
    /** what is graded: colour cover, opacity, pattern, size, vigour … */
    trait: Label,
    rungs: z.array(Rung).min(1, 'needs a rung').max(60, 'takes 60 rungs at most, old ones too'),
  })
  .refine(l => new Set(l.rungs.map(r => r.id)).size === l.rungs.length, {
    path: ['rungs'],
    message: 'two rungs have one id',
  })
  .refine(l => l.rungs.every(r => (r.from ?? []).every(id => l.rungs.some(o => o.id === id && o.id !== r.id))), {
    path: ['rungs'],
    message: 'a rung comes from one that is not on the ladder',
  })
export type Ladder = z.infer<typeof Ladder>

/** The rungs that are graded by today, the lowest first: those of which nothing came. */
export function presentRungs({ rungs }: Pick<Ladder, 'rungs'>): Rung[] {
  const replaced = new Set(rungs.flatMap(r => r.from ?? []))
  return rungs.filter(r => !replaced.has(r.id)).sort((a, b) => a.order - b.order)
}

/**
 * Where a rung, perhaps an old one, lies among today's: the lowest and the highest of those that came of it.
 * @returns null for a rung that is not on the ladder
 */
export function spanOf(ladder: Pick<Ladder, 'rungs'>, rungId: Id): { from: number; to: number } | null {
  const present = presentRungs(ladder)
  const found = new Set<number>()
  const walk = (id: Id, seen: ReadonlySet<Id>) => {
    const at = present.findIndex(r => r.id === id)
    if (at >= 0) found.add(at)
    // a file may say that two rungs came of each other
    for (const r of ladder.rungs) if (r.from?.includes(id) && !seen.has(r.id)) walk(r.id, new Set([...seen, r.id]))
  }
  walk(rungId, new Set([rungId]))
  return found.size > 0 ? { from: Math.min(...found), to: Math.max(...found) } : null
}

/** The rung that a free word of an old grading stands for. */
export const wordRungId = (ladderId: Id, word: string): Id => derivedId(ladderId, word)
