import type { Water } from '#core/records'

/** Water that went into a glass. `water` is null when nobody knows what was in it. */
export interface WaterEvent {
  entryId: string
  at: number
  kind: 'change' | 'topUp'
  litres: number
  water: Water | null
}
