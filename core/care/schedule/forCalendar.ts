import { type Colony, presentGlassId } from '#core/records'
import type { DueItem } from './item'

/**
 * The items that go into a calendar: of the whole room, or of one colony with its glass. Leftovers are a matter of
 * hours, and the work of every day would bury the rest.
 */
export function forCalendar(
  items: readonly DueItem[],
  colony: Pick<Colony, 'id' | 'stays'> | null,
  withDaily: boolean,
): DueItem[] {
  return items.filter(
    i =>
      i.kind !== 'leftovers' &&
      (withDaily || i.everyDays === null || i.everyDays > 1) &&
      (!colony || i.colonyId === colony.id || (i.glassId === presentGlassId(colony) && i.colonyId === undefined)),
  )
}
