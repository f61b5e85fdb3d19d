import type { Dexie } from 'dexie'

/** What can be wrong with the database as a whole. */
export type DatabaseTrouble =
  /** a newer version of the app made it: it is read, and nothing is written */
  | 'newer'
  /** a newer version in another tab is changing it: this page must be loaded anew */
  | 'upgraded'
  /** another tab holds an older version open, so that this one cannot begin */
  | 'blocked'
  /** the browser does not open it: a private window, or no room */
  | 'failed'

/** Raised instead of a write while nothing may be written. */
export class ReadOnlyError extends Error {
  override readonly name = 'ReadOnlyError'
}

/** Tells of trouble with a database, and keeps it from being written while there is any. */
export class DatabaseWatch {
  trouble: DatabaseTrouble | null = null
  private readonly listeners = new Set<(trouble: DatabaseTrouble) => void>()

  constructor(db: Dexie, version: number) {
    // Dexie multiplies versions by ten; it opens a newer database as if it knew it
    db.on('ready', () => {
      if (db.backendDB().version > version * 10) this.tell('newer')
    })
    db.on('versionchange', () => {
      this.tell('upgraded')
      db.close()
      return false
    })
    db.on('blocked', () => this.tell('blocked'))
    db.use({
      stack: 'dbcore',
      name: 'readOnly',
      create: down => ({
        ...down,
        table: name => {
          const table = down.table(name)
          return {
            ...table,
            mutate: request =>
              this.trouble === 'newer' ? Promise.reject(new ReadOnlyError('a newer version')) : table.mutate(request),
          }
        },
      }),
    })
  }

  /** Calls a listener with trouble that is there, and with any that comes. */
  onTrouble(listener: (trouble: DatabaseTrouble) => void): void {
    this.listeners.add(listener)
    if (this.trouble) listener(this.trouble)
  }

  tell(trouble: DatabaseTrouble): void {
    this.trouble = trouble
    for (const listener of this.listeners) listener(trouble)
  }
}
