import { Dexie, type EntityTable } from 'dexie'
import { type AtticItem, suppliesOfVersion1 } from '#core/formats'
import type {
  Colony,
  Entry,
  Glass,
  Order,
  Photo,
  Plan,
  Practice,
  Rack,
  Room,
  Scenario,
  ShelfItem,
  Source,
} from '#core/records'
import type { ColonyStatements } from '#core/statements'

/** Watches a query: the one way in which screens learn of writes, in this tab or another. */
export { liveQuery } from 'dexie'

/** Raised whenever something that a colony's statements follow from is written: the mark that a summary is compared with. */
export interface Revision {
  colonyId: string
  revision: string
}

/** Statements of a colony as they were computed last, kept so that the Room opens without computing. */
export interface Summary {
  colonyId: string
  revision: string
  /** calendar day for which they hold */ day: string
  /** build of the app that computed them */ build: string
  statements: ColonyStatements
}

/** The browser's database. Only app/data opens it; entries are read by index, never whole, but for a backup. */
export class UlkinDb extends Dexie {
  rooms!: EntityTable<Room, 'id'>
  racks!: EntityTable<Rack, 'id'>
  glasses!: EntityTable<Glass, 'id'>
  colonies!: EntityTable<Colony, 'id'>
  sources!: EntityTable<Source, 'id'>
  shelf!: EntityTable<ShelfItem, 'id'>
  plans!: EntityTable<Plan, 'id'>
  scenarios!: EntityTable<Scenario, 'id'>
  orders!: EntityTable<Order, 'id'>
  practice!: EntityTable<Practice, 'id'>
  photos!: EntityTable<Photo, 'id'>
  entries!: EntityTable<Entry, 'id'>
  attic!: EntityTable<AtticItem, 'id'>
  revisions!: EntityTable<Revision, 'colonyId'>
  summaries!: EntityTable<Summary, 'colonyId'>

  constructor(name = 'ulkin') {
    super(name)
    // a change of shape gets a new version here, with an upgrade that brings the rows along
    this.version(1).stores({
      rooms: 'id',
      racks: 'id, roomId',
      glasses: 'id, roomId',
      colonies: 'id, glassId',
      entries: 'id, [colonyId+at], [glassId+at]',
      attic: 'id',
      revisions: 'colonyId',
      summaries: 'colonyId',
    })
    // version 1 knew one change water by its hardness; now there are sources, a shelf and plans
    this.version(2)
      .stores({
        entries: 'id, [colonyId+at], [glassId+at], [kind+id]',
        sources: 'id, roomId',
        shelf: 'id, roomId',
        plans: 'id, roomId',
      })
      .upgrade(async tx => {
        for (const old of await tx.table('rooms').toArray()) {
          const made = suppliesOfVersion1(old)
          await Promise.all([
            tx.table('rooms').put(made.room),
            tx.table('sources').bulkPut(made.sources),
            tx.table('shelf').bulkPut(made.shelf),
          ])
        }
      })
    // version 3: a move is found by the colony that it went to as well, and photos are kept
    this.version(3).stores({ entries: 'id, [colonyId+at], [toColonyId+at], [glassId+at], [kind+id]', photos: 'id' })
    // version 4: scenarios of a colony, orders, what was practised
    this.version(4).stores({ scenarios: 'id, colonyId', orders: 'id, roomId', practice: 'id, roomId' })
  }
}

let db: UlkinDb | undefined

/** The one database of this page or worker. */
export const openDb = (): UlkinDb => (db ??= new UlkinDb())
