import { type Basis, type Entry, type EntryKind, type EntryOf, momentMs } from '#core/records'
import { noneLeft } from '#core/statements'
import type { ColonyCare, DueItem, DueReason, GlassCare } from '../item'

/** The newest entry of a kind that fits; entries lie by time. */
export function last<K extends EntryKind>(
  entries: readonly Entry[],
  kind: K,
  fits: (e: EntryOf<K>) => boolean = () => true,
): EntryOf<K> | undefined {
  return entries.findLast((e): e is EntryOf<K> => e.kind === kind && fits(e as EntryOf<K>))
}

/** When the first colony of a glass began. */
export const startOf = (g: GlassCare): number => Math.min(...g.colonies.map(c => momentMs(c.colony.startedAt)))

const NEVER: ReadonlySet<DueReason> = new Set([
  'changeNever',
  'topUpNever',
  'testNever',
  'feedNever',
  'feedRested',
  'never',
  'countNever',
  'calibrateNever',
])

/** An item with what most items share. */
export function item({
  why,
  whyValues = {},
  timed = false,
  values = {},
  ...rest
}: Omit<DueItem, 'why' | 'timed' | 'never' | 'values'> & {
  why: DueReason
  whyValues?: Record<string, number | string>
  timed?: boolean
  values?: DueItem['values']
  basis: Basis
}): DueItem {
  return { ...rest, timed, never: NEVER.has(why), values, why: { key: why, values: whyValues } }
}

/** Whether larvae live there: they eat green water, a filter takes them in, and they climb nowhere. */
export const areLarvae = ({ colony, group }: Pick<ColonyCare, 'colony' | 'group'>): boolean =>
  colony.form === 'rearing' && group.group.larvae !== undefined

/** Whether a batch is over: nothing of it is left, and it waits to be ended. */
export const isOver = ({ group, numbers }: Pick<ColonyCare, 'group' | 'numbers'>): boolean =>
  group.batch && numbers !== null && !numbers.firstLook && noneLeft(numbers)
