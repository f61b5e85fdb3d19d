import { Dexie, type EntityTable } from 'dexie'
import {
  animalsOfVersion6,
  editedInVersion4,
  entryOfVersion5,
  laddersOfVersion7,
  recordOfVersion5,
  type Rows,
  suppliesOfVersion1,
} from '#core/formats'
import {
  type Photo,
  type TableDefinition,
  type TableDefinitions,
  type TableName,
  type Tables,
  tables,
} from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { keepKeys, rowKeys } from './keys'
import { blobOf } from './photos'
import { DatabaseWatch } from './trouble'

/** Watches a query: the one way in which screens learn of writes, in this tab or another. */
export { liveQuery } from 'dexie'

/**
 * Raised whenever something that a colony's statements follow from is written: the mark that a summary is compared
 * with.
 */
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

/** A photo as the database holds it: bytes, not text. */
export type StoredPhoto = Omit<Photo, 'jpeg'> & { jpeg: Blob }

/** All of a keeper's data as it lies in the database. */
export type StoredRows = Omit<Rows, 'photos'> & { photos: StoredPhoto[] }

/** Everything that was erased, put aside on the device for a while. */
export interface Aside {
  id: string
  /** moment of erasing, ms since 1970 */
  atMs: number
  rows: StoredRows
}

type RowOf<T extends TableName> = T extends 'photos' ? StoredPhoto : Tables[T]
/** A table of the keeper's records. */
export type RecordsTable<T extends TableName> = EntityTable<RowOf<T> & { id: string }, 'id'>

/** Where a table's rows lie and by what they are found, in Dexie's notation. */
const storeOf = ({ indexes, keys }: TableDefinition) => ['id', ...(keys ? ['*keys'] : []), ...indexes].join(', ')

/** What the database of a registry must look like. */
export const storesOf = (registry: TableDefinitions): Record<string, string> =>
  Object.fromEntries(Object.entries(registry).map(([name, table]) => [name, storeOf(table)]))

/** What this device remembers of its own: a round under way, what was typed at its glasses. Never in a backup. */
export interface Kept {
  id: string
  value: unknown
  turn: number
}

/** Version of the database: raised with every change of shape, together with the backup's. */
export const DATABASE_VERSION = 7

/** The browser's database. Only app/data opens it; entries are read by index, never whole, but for a backup. */
export class UlkinDb extends Dexie {
  revisions!: EntityTable<Revision, 'colonyId'>
  summaries!: EntityTable<Summary, 'colonyId'>
  aside!: EntityTable<Aside, 'id'>
  kept!: EntityTable<Kept, 'id'>
  /** tells of trouble with the database as a whole */
  readonly watch: DatabaseWatch

  constructor(
    name = 'ulkin',
    readonly registry: TableDefinitions = tables,
  ) {
    super(name)
    keepKeys(this, registry)
    this.watch = new DatabaseWatch(this, DATABASE_VERSION)
    this.olderVersions()
    const { attic, ...stores } = storesOf(registry)
    this.version(DATABASE_VERSION)
      .stores({ ...stores, attic: attic!, revisions: 'colonyId', summaries: 'colonyId', aside: 'id', kept: 'id' })
      .upgrade(async tx => {
        const rows = (name: string): Promise<object[]> => tx.table<object>(name).toArray()
        const gradings = tx
          .table<object>('entries')
          .where('[kind+id]')
          .between(['grading', Dexie.minKey], ['grading', Dexie.maxKey])
        const [entries, colonies, glasses, lines] = await Promise.all([
          gradings.toArray(),
          rows('colonies'),
          rows('glasses'),
          rows('lines'),
        ])
        const made = laddersOfVersion7({ entries, colonies, glasses, lines })
        await tx.table('lines').bulkPut(made.lines)
        await tx.table('ladders').bulkPut(made.ladders)
        await tx.table('colonies').bulkPut(made.colonies)
        await tx.table('summaries').clear()
      })
  }

  /** A table of records by its name. */
  records<T extends TableName>(name: T): RecordsTable<T> {
    return this.table(name) as unknown as RecordsTable<T>
  }

  /** All tables of records, and those that follow from them: what a change of everything must lock. */
  get everything() {
    return [...Object.keys(this.registry), 'revisions', 'summaries'].map(name => this.table(name))
  }

  /** The shapes of versions that were released: a database of any of them must come along. */
  private olderVersions() {
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
    // version 5: versions of records, stays, lines, keys by which a row is found, photos as bytes
    this.version(5)
      .stores({
        ...{ glasses: 'id, roomId', colonies: 'id, *keys', entries: 'id, *keys, [kind+id]', lines: 'id, roomId' },
        ...{ aside: 'id', kept: 'id' },
      })
      .upgrade(async tx => {
        const each = (name: string, changed: (row: object) => unknown) =>
          tx
            .table(name)
            .toCollection()
            .modify((row, ref) => {
              ref.value = changed(row as object)
            })
        for (const name of editedInVersion4) await each(name, row => recordOfVersion5(name, row))
        for (const name of ['colonies', 'entries'])
          await each(name, row => {
            const entry = name === 'entries' ? (entryOfVersion5(row) as object) : row
            return { ...entry, keys: rowKeys(this.registry, name, entry) }
          })
        const photos = (await tx.table('photos').toArray()) as Photo[]
        await tx.table('photos').bulkPut(photos.map(p => ({ ...p, jpeg: blobOf(p.jpeg) })))
      })
    this.version6()
  }

  /** Followed animals, found in old sightings by their names, and dry eggs. */
  private version6() {
    this.version(6)
      .stores({ animals: 'id, roomId', eggLots: 'id, roomId' })
      .upgrade(async tx => {
        const rows = (name: string): Promise<object[]> => tx.table<object>(name).toArray()
        const sightings = tx
          .table<object>('entries')
          .where('[kind+id]')
          .between(['berried', Dexie.minKey], ['berried', Dexie.maxKey])
        const [entries, colonies, glasses] = await Promise.all([sightings.toArray(), rows('colonies'), rows('glasses')])
        await tx.table('animals').bulkPut(animalsOfVersion6({ entries, colonies, glasses }))
        // an entry that holds a name is found by the animal from now on: putting it anew writes its keys
        await tx.table('entries').bulkPut(entries.filter(row => 'animal' in row))
      })
  }
}

let db: UlkinDb | undefined

/** The one database of this page or worker. */
export const openDb = (): UlkinDb => (db ??= new UlkinDb())
