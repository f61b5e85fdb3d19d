import { DAY_MS } from '#core/records'
import type { Due, DueKind } from '../schedule'

/** What is left and what comes after a round. */
export interface AfterRound {
  /** still due today */
  left: Due[]
  /** what comes in the next days, without the work of every day */
  next: Due[]
  /** when leftovers are looked at, one for each glass that was fed */
  leftoversMs: number[]
  /** changes of the next days, and their water together */
  changes: Due[]
  changeL: number
}

/** Days that are looked ahead: until then water has to be mixed. */
const AHEAD_DAYS = 3
/** Whether something comes every day: it needs no line among the days ahead. */
export const isDaily = (d: Due): boolean => d.item.everyDays !== null && d.item.everyDays <= 1

/** Sorts a due list into what a round leaves behind. */
export function afterRound(due: readonly Due[], nowMs: number): AfterRound {
  const soon = due.filter(d => d.item.dueMs < nowMs + AHEAD_DAYS * DAY_MS)
  const ahead = soon.filter(d => d.state === 'ahead')
  const changes = soon.filter(d => d.item.kind === 'waterChange' || d.item.kind === 'doseChange')
  return {
    left: due.filter(d => (d.state === 'late' || d.state === 'due') && d.item.kind !== 'feed'),
    next: ahead.filter(d => d.item.kind !== 'leftovers' && !isDaily(d)),
    leftoversMs: ahead.filter(d => d.item.kind === 'leftovers').map(d => d.item.dueMs),
    changes,
    changeL: changes.reduce((s, d) => s + Number(d.item.values.litres), 0),
  }
}

/** Work that is not done on the walk: it wants a desk, a bucket or an hour. */
const OFF_THE_WALK: ReadonlySet<DueKind> = new Set(['count', 'waterChange', 'planStep', 'calibration', 'soil'])

/**
 * Minutes of what is due today: on the walk itself, and beside it so many whole ones that both together, rounded, are
 * those of the list.
 */
export function minutesToday(today: readonly Due[]): { walk: number; beside: number } {
  const sum = (list: readonly Due[]) => list.reduce((minutes, d) => minutes + d.item.minutes, 0)
  const walk = sum(today.filter(d => !OFF_THE_WALK.has(d.item.kind)))
  return { walk, beside: Math.round(sum(today)) - Math.round(walk) }
}
