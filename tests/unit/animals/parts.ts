import { type Animal, animalIdOf, begun, DAY_MS, type Entry } from '#core/records'
import { entryOf, nextId, NOW } from '../../make'

export const roomId = nextId()
export const home = nextId()
export const away = nextId()
/** A followed crab. */
export const animal = (name: string, more: Partial<Animal> = {}): Animal => ({
  ...begun(animalIdOf(more.firstColonyId ?? home, name), NOW - 300 * DAY_MS),
  ...{ roomId, firstColonyId: home, name, groupId: 'land-crab', sex: 'unknown', damIds: [], sireIds: [] },
  ...more,
})
/** An entry of one colony about some animals. */
export const about = (who: readonly Animal[], kind: Entry['kind'], days: number, more: object = {}): Entry =>
  entryOf(kind, days, { colonyId: home, animalIds: who.map(a => a.id), ...more })
export const at = (days: number) => NOW - days * DAY_MS
