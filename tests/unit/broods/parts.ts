import { type ColonyBroods, colonyBroods, type BroodsAsked } from '#core/broods'
import { type Entry, DAY_MS } from '#core/records'
import { resolvedOf } from '../population/questions'
import { entryOf, nextId, NOW } from '../../make'

export const colonyId = nextId()
/** Days from now, rounded to a tenth. */
export const day = (ms: number) => Math.round((10 * (ms - NOW)) / DAY_MS) / 10
export const berried = (days: number, number: number, more = {}): Entry =>
  entryOf('berried', days, { colonyId, number, ...more })
export const young = (days: number): Entry => entryOf('young', days, { colonyId, amount: 'few' })
export const masses = (days: number, number: number): Entry => entryOf('eggMass', days, { colonyId, number })
export const laid = (days: number, more = {}): Entry => entryOf('clutch', days, { colonyId, event: 'laid', ...more })
export const ofClutch = (days: number, clutch: Entry, event: string, more = {}): Entry =>
  entryOf('clutch', days, { colonyId, event, clutchId: clutch.id, ...more })
/** The broods of a colony at its group's own temperature. */
export const broodsFrom = (groupId: string, entries: readonly Entry[], more: Partial<BroodsAsked> = {}): ColonyBroods =>
  colonyBroods({ resolved: resolvedOf(groupId), entries, temperatures: [], rooms: null, nowMs: NOW, ...more })!
