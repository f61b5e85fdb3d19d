import { groupOf } from '#core/groups'
import { weeksUntilGrown } from '#core/lines'
import { type Colony, WEEK_MS } from '#core/records'
import { meanReading } from '#core/warmth'

/** How warm the water was while the animals of a colony grew up that are graded now; null where nobody measured. */
export function useGradeWarmth(colony: Readonly<Ref<Colony | undefined>>) {
  const room = useRoomStore()
  const { story, nowMs } = useGlassWater(computed(() => (colony.value ? room.waterIdAt(colony.value, Date.now()) : '')))
  return computed(() => {
    if (!colony.value) return null
    const readings = story.value.readings.get('temperatureC') ?? []
    const weeks = weeksUntilGrown(groupOf(colony.value.groupId).stages)
    return meanReading(readings, nowMs.value - weeks * WEEK_MS, nowMs.value)
  })
}
