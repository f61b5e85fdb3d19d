import { momentMs, presentGlassId } from '#core/records'
import { CP } from '../figures'
import type { ColonyCare, DueItem } from '../item'
import { item } from './tools'

/** What is graded weeks later is graded all the same: only the choice of breeders waits. */
const LATE_DAYS = 28
/** A generation is told of so many days before its first are grown. */
const EARLY_DAYS = 7

/** Grading, when a generation is grown, and dull ones that were seen and are to come out. */
export const lineRule = (care: ColonyCare): DueItem[] => [...gradeDue(care), ...takeOutDue(care)]

function gradeDue({ colony, grownMs, halfNewMs }: ColonyCare): DueItem[] {
  const dueMs = grownMs ?? halfNewMs
  if (dueMs === null) return []
  return [
    item({
      ...{ key: `grade:${colony.id}`, kind: 'grade', colonyId: colony.id, glassId: presentGlassId(colony) },
      ...{ dueMs, everyDays: null, earlyDays: EARLY_DAYS, lateDays: LATE_DAYS, minutes: 30, flexible: true },
      ...{ why: grownMs === null ? 'gradeHalfNew' : 'gradeGrown', whyValues: { from: dueMs }, basis: CP },
      ...(grownMs === null && { values: { again: 1 } }),
    }),
  ]
}

/**
 * Dull ones that were seen last and are still there: what was taken out since is taken off. They come out when one
 * passes by: no hour or day of it.
 */
function takeOutDue({ colony, entries }: ColonyCare): DueItem[] {
  const seen = entries.findLast(e => e.kind === 'dull')
  if (seen?.kind !== 'dull') return []
  const out = entries.reduce(
    (n, e) =>
      n + ((e.kind === 'removal' || (e.kind === 'move' && e.colonyId === colony.id)) && e.at >= seen.at ? e.number : 0),
    0,
  )
  const left = seen.number - out
  if (left <= 0) return []
  return [
    item({
      ...{ key: `takeOut:${colony.id}`, kind: 'takeOut', colonyId: colony.id, glassId: presentGlassId(colony) },
      ...{ dueMs: momentMs(seen.at), everyDays: null, earlyDays: 0, lateDays: LATE_DAYS, minutes: 3, flexible: true },
      ...{ why: 'dullSeen', whyValues: { at: momentMs(seen.at), n: seen.number, out }, basis: CP, values: { n: left } },
    }),
  ]
}
