import { resolveGroup } from '#core/groups'
import { completeAnalysis } from '#core/water'
import { defaultUnits } from '~/words/unitPrefs'
import { nextId, shelfItem, source as sourceOf } from '../make'

export const units = defaultUnits
export const roomId = nextId()
export const tap = sourceOf(roomId, { name: 'Harbour tap' })
export const soda = shelfItem(roomId, { name: 'Sodium bicarbonate' })
export const names = {
  source: (id: string) => [tap].find(s => s.id === id),
  item: (id: string) => [soda].find(s => s.id === id),
}
export const neocaridina = resolveGroup({ groupId: 'neocaridina', schools: {}, targets: {}, life: {} })
export const tapWater = completeAnalysis({ ghDh: 13, khDh: 5.8, conductivityUsCm: 540 }).water
export const tank = completeAnalysis({ ghDh: 6.4, khDh: 2.1, conductivityUsCm: 280 }).water
