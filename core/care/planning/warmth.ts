import { type Targets, toleratedOf } from '#core/groups'

/** Temperatures of a room in winter and in summer, °C. */
export interface RoomC {
  winter: number
  summer: number
}
/** A heated room where nobody told (from memory). */
export const USUAL_ROOM_C: RoomC = { winter: 19, summer: 25 }

export type Warmth = 'asItIs' | 'heater' | 'tooWarm'

/** What a room asks of a glass for animals with a preferred temperature: nothing, a heater, or another place. */
export function warmthOf(target: Targets['temperatureC'], { winter, summer }: RoomC = USUAL_ROOM_C): Warmth {
  if (!target) return 'asItIs'
  if (summer > toleratedOf('temperatureC', target)[1]) return 'tooWarm'
  return winter < target.preferred[0] ? 'heater' : 'asItIs'
}

/** Whether a heater hangs in the glass: too warm a summer does not do away with a cold winter. */
export const wantsHeater = (target: Targets['temperatureC'], { winter }: RoomC = USUAL_ROOM_C): boolean =>
  target !== undefined && winter < target.preferred[0]
