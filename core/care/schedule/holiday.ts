import { DAY_MS } from '#core/records'
import type { DueItem } from './item'

/** A piece of work on a visit of the stand-in: the item, and how often it has come round by then. */
export interface StandInTask {
  item: DueItem
  turn: number
}
/** One visit of the stand-in. */
export interface StandInVisit {
  dayMs: number
  tasks: StandInTask[]
  minutes: number
}
/** Care while the keeper is away. */
export interface HolidayPlan {
  /** to do before leaving: what comes due meanwhile and can be done ahead, and what is due by then */
  before: DueItem[]
  /** what cannot wait, on as few visits as will do */
  visits: StandInVisit[]
  /** what can wait until the keeper is back */
  after: DueItem[]
}

/** Work that a stand-in is not asked for: it wants a practised eye, or harms when it goes wrong. */
const KEEPERS_OWN: ReadonlySet<DueItem['kind']> = new Set([
  'count',
  'planStep',
  'calibration',
  'soil',
  'test',
  'limb',
  'grade',
  'takeOut',
  'flood',
  'dryDown',
  'larvaSample',
])
/** Food can be given ahead only in part: the last feeding before leaving is an ordinary one. */
const NOT_AHEAD: ReadonlySet<DueItem['kind']> = new Set([
  'leftovers',
  'clutch',
  'secondDose',
  'doseChange',
  'young',
  'saltStep',
  'greenWater',
  'pick',
  'hatchCheck',
])
/** Turns of one item that are looked at: a stretch longer than this many wants another keeper. */
const MOST_TURNS = 400

/**
 * What can wait and what cannot between two days. Each item may be late by its own days; what would be later than that
 * goes to the stand-in, on as few visits as will do: the first visit is on the last day that the most pressing task
 * allows, everything that is due by then is done on it, and so on (the greedy answer to stabbing intervals, which is
 * the smallest number of visits for tasks that come once).
 * @param items the schedule, any order
 * @param fromMs the keeper leaves
 * @param toMs the keeper is back
 */
export function planHoliday(items: readonly DueItem[], fromMs: number, toMs: number): HolidayPlan {
  const before: DueItem[] = []
  const after: DueItem[] = []
  /** per item that cannot wait: when its next turn is due */
  const open: { item: DueItem; dueMs: number; turn: number }[] = []
  for (const item of items) {
    const canWait = (dueMs: number) => KEEPERS_OWN.has(item.kind) || dueMs + item.lateDays * DAY_MS >= toMs
    // what can wait is not hurried: only what would fall to the stand-in is done ahead
    const ahead =
      item.dueMs <= fromMs ||
      (!canWait(item.dueMs) && !NOT_AHEAD.has(item.kind) && item.dueMs - item.earlyDays * DAY_MS <= fromMs)
    if (ahead) before.push(item)
    // done before leaving, it comes round again from then
    const next = ahead ? (item.everyDays === null ? null : fromMs + item.everyDays * DAY_MS) : item.dueMs
    if (next === null || next >= toMs) continue
    if (canWait(next)) after.push(item)
    else open.push({ item, dueMs: next, turn: 1 })
  }
  const visits: StandInVisit[] = []
  for (let left = MOST_TURNS; left > 0; left--) {
    const pressing = open
      .filter(o => o.dueMs + o.item.lateDays * DAY_MS < toMs)
      .map(o => o.dueMs + o.item.lateDays * DAY_MS)
    if (pressing.length === 0) break
    const dayMs = Math.min(...pressing)
    const tasks: StandInTask[] = []
    for (const o of open) {
      if (o.dueMs > dayMs) continue
      tasks.push({ item: o.item, turn: o.turn++ })
      o.dueMs = o.item.everyDays === null ? Infinity : dayMs + o.item.everyDays * DAY_MS
    }
    visits.push({ dayMs, tasks, minutes: tasks.reduce((s, t) => s + t.item.minutes, 0) })
  }
  return { before, visits, after }
}
