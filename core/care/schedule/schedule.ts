import { DAY_MS, type Entry, type EntryOf, momentMs, toMoment } from '#core/records'
import { CARE_LOG_DAYS } from './figures'
import type { DueItem, GlassCare, RoomCareInput } from './item'
import { batchRule, floodRule } from './rules/batches'
import { broodRule } from './rules/broods'
import { countRule } from './rules/counts'
import { equipmentRule } from './rules/equipment'
import { feedingRule } from './rules/feeding'
import { limbRule } from './rules/limbs'
import { lineRule } from './rules/lines'
import { medicineRule } from './rules/medicine'
import { calibrationRule, planRule, soilRule } from './rules/room'
import { supplyRule } from './rules/supplies'
import { testRule } from './rules/tests'
import { waterRule } from './rules/water'

/** A mark is about the occurrence that was due then; reckoning may move that by this much as the log goes on. */
const SAME_OCCURRENCE_DAYS = 1

/**
 * What one glass with its colonies comes to, before marks: reckoned from groups, schools, the log and what is under
 * way.
 * @returns items in no order
 */
export function itemsOfGlass(whole: GlassCare, nowMs: number): DueItem[] {
  const glass = recent(whole, nowMs)
  return [
    ...[waterRule, testRule, feedingRule, supplyRule, equipmentRule, medicineRule, soilRule].flatMap(rule =>
      rule(glass, nowMs),
    ),
    ...limbRule(glass),
    ...glass.colonies.flatMap(c => [
      ...countRule(c, nowMs),
      ...broodRule(c, nowMs),
      ...batchRule(c, nowMs),
      ...lineRule(c),
    ]),
  ]
}

/**
 * Everything that a room's care comes to, each with its next day: what its glasses come to, its plans and probes, never
 * written down itself. What was put off or left out stands in the log as marks.
 * @param itemsOf what a glass of the room comes to now; for who keeps it at hand
 * @returns items by day, then by key, whatever the order of the input
 */
export function schedule(
  whole: RoomCareInput,
  itemsOf: (glass: GlassCare) => readonly DueItem[] = g => itemsOfGlass(g, whole.nowMs),
): DueItem[] {
  const input = { ...whole, glasses: whole.glasses.map(g => recent(g, whole.nowMs)) }
  const marks = marksOf(input)
  const items = [...whole.glasses.flatMap(itemsOf), ...planRule(input), ...floodRule(input), ...calibrationRule(input)]
  return items.flatMap(i => marked(i, marks.get(i.key)) ?? []).sort(byDay)
}

/** A glass with the part of its log that care follows from. */
function recent(glass: GlassCare, nowMs: number): GlassCare {
  const since = toMoment(nowMs - CARE_LOG_DAYS * DAY_MS)
  return {
    ...glass,
    entries: from(glass.entries, since),
    colonies: glass.colonies.map(c => ({ ...c, entries: from(c.entries, since) })),
  }
}

/** Entries from a moment on; they lie by time, so the first is found by halving. */
function from(entries: readonly Entry[], since: string): readonly Entry[] {
  let [low, high] = [0, entries.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (entries[middle]!.at < since) low = middle + 1
    else high = middle
  }
  return low === 0 ? entries : entries.slice(low)
}

/** Order of a due list. */
export const byDay = (a: DueItem, b: DueItem): number => a.dueMs - b.dueMs || (a.key < b.key ? -1 : 1)

/** The newest mark on each item. */
function marksOf({ glasses, marks: ofRoom }: RoomCareInput): Map<string, EntryOf<'dueMark'>> {
  const marks = new Map<string, EntryOf<'dueMark'>>()
  for (const list of [ofRoom, ...glasses.flatMap(g => [g.entries, ...g.colonies.map(c => c.entries)])]) {
    for (const e of list) {
      const before = e.kind === 'dueMark' ? marks.get(e.key) : undefined
      if (e.kind === 'dueMark' && (!before || before.id < e.id)) marks.set(e.key, e)
    }
  }
  return marks
}

/**
 * An item after its mark: put off to a day, or moved on to its next occurrence; null when it comes once and was left
 * out.
 */
function marked(item: DueItem, mark: EntryOf<'dueMark'> | undefined): DueItem | null {
  if (!mark || item.dueMs > momentMs(mark.dueAt) + SAME_OCCURRENCE_DAYS * DAY_MS) return item
  if (mark.act === 'snooze') return { ...item, dueMs: Math.max(item.dueMs, momentMs(mark.until!)) }
  return item.everyDays === null
    ? null
    : { ...item, dueMs: Math.max(item.dueMs, momentMs(mark.at) + item.everyDays * DAY_MS) }
}

export type DueState = 'late' | 'due' | 'soon' | 'ahead'
/** An item on the keeper's list, with its state today. */
export interface Due {
  item: DueItem
  state: DueState
}

/** Hours ahead in which what is due at its hour already counts. */
const HOURS_AHEAD_MS = 2 * 3_600_000

/**
 * How an item stands: late when it harms from now on, due today, soon when it may be done today as well, or ahead.
 * @param dayEndMs the moment at which the keeper's next day begins: most work is due on its day, not at its hour
 */
export function dueState(item: DueItem, nowMs: number, dayEndMs: number): DueState {
  if (!item.never && item.dueMs + item.lateDays * DAY_MS < nowMs) return 'late'
  const until = item.timed ? nowMs + HOURS_AHEAD_MS : dayEndMs
  // what is due as the next day begins is the next day's
  if (item.dueMs < until) return 'due'
  return item.dueMs - item.earlyDays * DAY_MS < until && !item.timed ? 'soon' : 'ahead'
}
