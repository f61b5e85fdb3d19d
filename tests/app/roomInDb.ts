import { test } from 'vitest'
import { UlkinDb } from '~/data/database'
import { saveRecord } from '~/data/saveRecord'
import { nextId, NOW, smallRoom } from '../make'

export interface RoomInDb {
  s: ReturnType<typeof smallRoom>
  db: UlkinDb
  revisionOf: (colonyId: string) => Promise<string | undefined>
}

/** Tests that have a database of their own with a small room in it; it is deleted after each. */
export const it = test.extend<RoomInDb>({
  // eslint-disable-next-line no-empty-pattern -- Vitest reads from the pattern what a fixture needs
  s: async ({}, use) => use(smallRoom()),
  db: async ({ s }, use) => {
    const db = new UlkinDb(`test-${nextId()}`)
    await saveRecord(db, 'rooms', s.room, NOW)
    await saveRecord(db, 'racks', s.rack, NOW)
    await saveRecord(db, 'glasses', s.glass, NOW)
    await saveRecord(db, 'colonies', s.colony, NOW)
    await use(db)
    await db.delete()
  },
  revisionOf: async ({ db }, use) => use(async id => (await db.revisions.get(id))?.revision),
})
