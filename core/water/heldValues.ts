import { DAY_MS, type ValueKey } from '#core/records'
import { freshDays } from './methodDoubt'
import type { WaterStory } from './time/events'

/** The newest reading of each value, as far as it still says something of today. */
export function heldValues(
  { readings }: Pick<WaterStory, 'readings'>,
  nowMs: number,
): Partial<Record<ValueKey, number>> {
  const held: Partial<Record<ValueKey, number>> = {}
  for (const [key, list] of readings) {
    const last = list.at(-1)
    if (last && nowMs - last.at <= freshDays[key] * DAY_MS) held[key] = last.value
  }
  return held
}
