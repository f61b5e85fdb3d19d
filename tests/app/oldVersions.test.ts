import { Dexie } from 'dexie'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { parseBackup, writeBackup, BACKUP_VERSION } from '#core/formats'
import { animalIdOf, Id, presentRungs, wordRungId } from '#core/records'
import { readAll } from '~/data/backups'
import { DATABASE_VERSION, UlkinDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import { blobOf } from '~/data/photos'
import { NOW } from '../make'

/** Every version that was ever released must come in: one small backup and one database of each lie in tests/golden. */
const folder = new URL('../golden/', import.meta.url)
const golden = (name: string) => readFileSync(new URL(name, folder), 'utf8')
const ids = { glass: '01900000-0000-7000-8000-000000000003', colony: '01900000-0000-7000-8000-000000000005' }
/** who stands in two sightings of version 5 as “ Ash” and as “ash” */
const ash = animalIdOf(ids.colony, 'Ash')
const versions = [1, 2, 3, 4, 5, 6]
/** Versions that already told them; what one did not know is made up by the migration, the same on every device. */
const knows = { sources: 2, photos: 3, orders: 4, lines: 5 }

it('there is a golden file of every older version', () => {
  const names = readdirSync(folder).sort()
  for (const v of versions) expect(names).toEqual(expect.arrayContaining([`backup-${v}.json`, `database-${v}.json`]))
  expect(versions.at(-1)).toBe(BACKUP_VERSION - 1)
  expect(versions.at(-1)).toBe(DATABASE_VERSION - 1)
})

/** What must be true of the data, whatever version it came from. */
function expectOld(version: number, backup: Awaited<ReturnType<typeof readAll>>) {
  expect(backup.rooms).toMatchObject([{ name: 'Old loft', rev: expect.stringMatching(/^000001-/) }])
  expect(backup.colonies.find(c => c.id === ids.colony)).toMatchObject({
    form: 'colony',
    stays: [{ glassId: ids.glass, from: '2026-03-01T09:30:00.000Z' }],
  })
  expect(backup.entries.filter(e => e.kind === 'count')).toHaveLength(2)
  expect(backup.attic.map(a => a.id)).toContain('old-item')
  expect(backup.eggLots).toEqual([])
  // version 6 has graded colonies, of which one had no line: it gets its own
  expect(backup.lines).toHaveLength(version < knows.lines ? 0 : version < 6 ? 1 : 2)
  expectLadders(version, backup)
  // names in sightings are animals that are followed, and their sightings are found by them
  const names = version >= knows.lines ? [{ id: ash, name: 'Ash', sex: 'female', firstColonyId: ids.colony }] : []
  expect(backup.animals).toMatchObject(names)
  expect(Id.safeParse(ash).success).toBe(true)
  if (version >= knows.sources) {
    expect(backup.sources.map(s => [s.name, s.ended?.why])).toEqual([
      ['Tap', undefined],
      ['Old spring', 'putAway'],
    ])
  } else expect(backup.sources.map(s => s.name)).toEqual(['Pure water', 'Change water'])
  expect(backup.photos).toHaveLength(version >= knows.photos ? 1 : 0)
  expect(backup.orders).toHaveLength(version >= knows.orders ? 1 : 0)
}

/** Free words of gradings are rungs of a ladder that hangs on the line: A above B, 10 above 2. */
function expectLadders(version: number, { lines, ladders, colonies, entries }: Awaited<ReturnType<typeof readAll>>) {
  expect(lines.every(l => l.crossingGroup === 'neocaridina')).toBe(true)
  expect(ladders).toHaveLength(version < 6 ? 0 : 2)
  if (version < 6) return
  const ladderOf = (colonyId: string) => {
    const line = lines.find(l => l.id === colonies.find(c => c.id === colonyId)!.lineId)!
    return ladders.find(l => l.id === line.ladderIds[0])!
  }
  const words = (colonyId: string) => presentRungs(ladderOf(colonyId)).map(r => r.words)
  expect(words(ids.colony)).toEqual(['C', 'b', 'A'])
  const other = colonies.find(c => c.id !== ids.colony)!
  expect(words(other.id)).toEqual(['2', '10'])
  expect(lines.find(l => l.id === other.lineId)).toMatchObject({
    name: 'Slate',
    rev: expect.stringMatching(/^000001-/),
  })
  // the old words find their rungs, however they were spelt
  const [first] = entries.filter(e => e.kind === 'grading')
  const { id, rungs } = ladderOf(ids.colony)
  for (const { grade } of first!.grades!) expect(rungs.map(r => r.id)).toContain(wordRungId(id, grade))
}

describe.each(versions)('version %i', version => {
  it('comes in as a file, and goes out as a file of today that reads back', () => {
    const read = parseBackup(golden(`backup-${version}.json`))
    expect(read.ok || read.issue).toBe(true)
    if (!read.ok) return
    // files have a checksum since version 5, and an old one that was brought along by hand is as it was
    expect(read.changedSince).toBe(version >= 5 ? false : null)
    expectOld(version, read.backup)
    expect(parseBackup(writeBackup(read.backup))).toEqual({ ok: true, backup: read.backup, changedSince: false })
  })
  it('comes along as a database, with its log found by colony and by glass', async () => {
    const dump = JSON.parse(golden(`database-${version}.json`)) as {
      stores: Record<string, string>
      rows: Record<string, object[]>
    }
    const name = `golden-${version}`
    const old = new Dexie(name)
    old.version(version).stores(dump.stores)
    for (const [table, rows] of Object.entries(dump.rows)) {
      const bytes = (row: object) => ('jpeg' in row ? { ...row, jpeg: blobOf(String(row.jpeg)) } : row)
      await old.table(table).bulkAdd(version >= 5 ? rows.map(bytes) : rows)
    }
    old.close()
    const db = new UlkinDb(name)
    const all = await readAll(db, NOW)
    expectOld(version, all)
    expect(await entriesOf(db, ids.colony)).toHaveLength(
      all.entries.filter(e => 'colonyId' in e && e.colonyId === ids.colony).length,
    )
    expect(await entriesOf(db, ids.glass)).toHaveLength(all.entries.filter(e => 'glassId' in e).length)
    expect(await entriesOf(db, ash)).toHaveLength(version >= knows.lines ? 2 : 0)
    // what comes out of an old database is a file that today's reader takes
    const read = parseBackup(writeBackup(all))
    expect(read.ok || read.issue).toBe(true)
    await db.delete()
  })
  it('comes to the same records from the file and from the database', async () => {
    const read = parseBackup(golden(`backup-${version}.json`))
    const again = parseBackup(golden(`backup-${version}.json`))
    expect(again).toEqual(read)
  })
})
