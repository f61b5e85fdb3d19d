import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  type Backup,
  BACKUP_VERSION,
  MAX_BACKUP_BYTES,
  migrate,
  noRows,
  parseBackup,
  planMerge,
  writeBackup,
} from '#core/formats'
import { correction, count, daysAgo, nextId, plan, shelfItem, smallRoom, source, test as waterTest } from '../../make'

function backupOf(): Backup {
  const s = smallRoom()
  const c = count(s.colony.id, 4, 40)
  return {
    ...noRows(),
    format: 'ulkin-backup',
    version: BACKUP_VERSION,
    exportedAt: daysAgo(0),
    rooms: [s.room],
    racks: [s.rack],
    glasses: [s.glass],
    colonies: [s.colony],
    sources: [source(s.room.id)],
    shelf: [shelfItem(s.room.id)],
    plans: [plan(s.room.id)],
    entries: [c, correction(c, { number: 41 }), waterTest(s.glass.id, 3, { khDh: 4 })],
  }
}
const issueOf = (text: string) => {
  const read = parseBackup(text)
  return read.ok ? null : read.issue
}
const changed = (change: (raw: Record<string, unknown>) => void) => {
  const raw = JSON.parse(writeBackup(backupOf())) as Record<string, unknown>
  change(raw)
  return JSON.stringify(raw)
}

describe('backup', () => {
  it('reads back what it writes', () => {
    const backup = backupOf()
    expect(parseBackup(writeBackup(backup))).toEqual({ ok: true, backup, changedSince: false })
  })
  it('says that a file is cut short', () => {
    const text = writeBackup(backupOf())
    expect(issueOf(text.slice(0, text.length / 2))?.kind).toBe('notJson')
    expect(issueOf('')?.kind).toBe('notJson')
  })
  it('knows JSON that is no backup', () => {
    for (const text of ['[]', '3', 'null', '{"format":"other"}']) expect(issueOf(text)?.kind).toBe('notABackup')
  })
  it('tells newer versions from versions that never were', () => {
    expect(
      issueOf(
        changed(r => {
          r.version = BACKUP_VERSION + 1
        }),
      ),
    ).toEqual({ kind: 'newerVersion', version: BACKUP_VERSION + 1 })
    for (const version of [0, -1, 1.5, '1', null])
      expect(
        issueOf(
          changed(r => {
            r.version = version
          }),
        )?.kind,
      ).toBe('badVersion')
  })
  it('names the place of a fault and counts all', () => {
    const issue = issueOf(
      changed(r => {
        ;(r.entries as { number?: unknown }[])[0]!.number = 'many'
      }),
    )
    expect(issue).toMatchObject({ kind: 'wrongShape', path: 'entries.0.number', count: 1 })
    expect(
      issueOf(
        changed(r => {
          delete r.racks
        }),
      ),
    ).toMatchObject({ kind: 'wrongShape', path: 'racks' })
  })
  it.each(['rooms', 'racks', 'glasses', 'colonies'])('misses %s that others point at', table => {
    expect(
      issueOf(
        changed(r => {
          r[table] = []
        }),
      )?.kind,
    ).toBe('danglingReference')
  })
  it('names the place that points at nothing, and the one that points into another room', () => {
    const glassId = nextId()
    const odd = changed(r => {
      ;(r.colonies as { stays: { glassId: string }[] }[])[0]!.stays[0]!.glassId = glassId
    })
    expect(issueOf(odd)).toEqual({ kind: 'danglingReference', path: 'colonies.0.stays.0.glassId', id: glassId })
    // two rooms in one file are well, but a colony of one may not stand in a glass of the other
    const [a, b] = [smallRoom(), smallRoom()]
    const two: Backup = {
      ...backupOf(),
      rooms: [a.room, b.room],
      racks: [a.rack, b.rack],
      glasses: [a.glass, b.glass],
      colonies: [a.colony, b.colony],
      sources: [source(b.room.id)],
      shelf: [],
      plans: [],
      entries: [count(a.colony.id, 4, 40), waterTest(b.glass.id, 3, { khDh: 4 })],
    }
    expect(issueOf(writeBackup(two))).toBeNull()
    const across: Backup = {
      ...two,
      glasses: [a.glass, { ...b.glass, place: { ...b.glass.place, rackId: a.rack.id } }],
    }
    expect(issueOf(writeBackup(across))).toEqual({
      kind: 'otherRoom',
      path: 'glasses.1.place.rackId',
      id: a.rack.id,
    })
    // a row that names no room belongs to that of the row it names first
    const move = {
      ...count(a.colony.id, 2, 3),
      kind: 'move' as const,
      toColonyId: b.colony.id,
    }
    const moved = JSON.parse(writeBackup(two)) as { entries: object[] }
    moved.entries.push({ ...move, method: undefined })
    expect(issueOf(JSON.stringify(moved))?.kind).toBe('otherRoom')
  })
  it('says whether a file was changed since it was written, where it can tell', () => {
    const since = (text: string) => {
      const read = parseBackup(text)
      return read.ok ? read.changedSince : 'refused'
    }
    const text = writeBackup(backupOf())
    expect(since(text)).toBe(false)
    expect(since(text.replace('"number": 40', '"number": 400'))).toBe(true)
    expect(since(JSON.stringify(JSON.parse(text)))).toBe(false)
    const { checksum, ...without } = JSON.parse(text) as Record<string, unknown>
    expect(checksum).toMatch(/^[0-9a-f]{64}$/)
    expect(since(JSON.stringify(without))).toBeNull()
  })
  it('cuts a version that is no version short, and takes a file of just the largest size', () => {
    const long = changed(r => {
      r.version = 'x'.repeat(50)
    })
    expect(issueOf(long)).toEqual({ kind: 'badVersion', version: 'x'.repeat(20) })
    expect(issueOf(' '.repeat(MAX_BACKUP_BYTES))?.kind).toBe('notJson')
  })
  it('refuses what is too large before it reads it', () => {
    expect(issueOf(' '.repeat(MAX_BACKUP_BYTES + 1))).toEqual({ kind: 'tooLarge', bytes: MAX_BACKUP_BYTES + 1 })
  })
  it('never throws on damaged text', () => {
    const text = writeBackup(backupOf())
    fc.assert(
      fc.property(fc.nat(text.length), fc.string({ maxLength: 6 }), (at, junk) => {
        expect(() => parseBackup(text.slice(0, at) + junk + text.slice(at + junk.length))).not.toThrow()
      }),
    )
  })
})

describe('a file of version 1', () => {
  const golden = readFileSync(new URL('../../golden/backup-1.json', import.meta.url), 'utf8')
  const old = (changeWater: object) => {
    const raw = JSON.parse(golden) as { rooms: object[] }
    return JSON.stringify({ ...raw, rooms: raw.rooms.map(room => ({ ...room, changeWater })) })
  }
  it('turns its change water into a source, and gets a shelf of the salts it took for granted', () => {
    const read = parseBackup(old({ ghDh: 9, khDh: 3 }))
    expect(read.ok && read.backup).toMatchObject({
      version: BACKUP_VERSION,
      plans: [],
      sources: [{ kind: 'pure' }, { name: 'Change water', analyses: [{ values: { ghDh: 9, khDh: 3 } }] }],
    })
    expect(read.ok && read.backup.shelf.map(i => i.content)).toContainEqual({ by: 'salt', salt: 'sodiumBicarbonate' })
  })
  it('comes to the same records on every device', () => {
    const text = old({ ghDh: 9, khDh: 3 })
    expect(parseBackup(text)).toEqual(parseBackup(text))
  })
  it('needs no second source when the change water was pure', () => {
    const read = parseBackup(old({ ghDh: 0, khDh: 0 }))
    expect(read.ok && read.backup.sources).toHaveLength(1)
  })
  it('is refused with a place when its rooms are damaged', () => {
    expect(issueOf(JSON.stringify({ ...JSON.parse(old({})), rooms: ['none'] }))).toMatchObject({
      kind: 'wrongShape',
      path: 'rooms.0',
    })
  })
})

describe('migrate', () => {
  it('goes one version at a time', () => {
    const steps = {
      1: (r: Record<string, unknown>) => ({ ...r, a: 1 }),
      2: (r: Record<string, unknown>) => ({ ...r, b: Number(r.a) + 1 }),
    }
    expect(migrate({ version: 1 }, 3, steps)).toEqual({ version: 3, a: 1, b: 2 })
    expect(migrate({ version: 3 }, 3, steps)).toEqual({ version: 3 })
  })
  it('notices a version that was raised without a migration', () => {
    expect(() => migrate({ version: 1 }, 2, {})).toThrow(/no migration from version 1/)
  })
})

describe('planMerge', () => {
  it('finds nothing to do with one’s own backup', () => {
    const b = backupOf()
    expect(planMerge(b, b)).toMatchObject({ same: 10, conflicts: [], add: { entries: [], rooms: [] } })
  })
  it('adds everything to an empty device', () => {
    const b = backupOf()
    const empty: Backup = { ...b, ...noRows() }
    expect(planMerge(empty, b).add).toMatchObject({
      rooms: b.rooms,
      sources: b.sources,
      shelf: b.shelf,
      plans: b.plans,
      entries: b.entries,
    })
  })
  it('makes a conflict of what both sides changed differently, and offers the later version', () => {
    const mine = backupOf()
    const theirs = structuredClone(mine)
    Object.assign(theirs.glasses[0]!, { name: 'Other name', rev: '000002-00000000', basedOn: mine.glasses[0]!.rev })
    const [conflict] = planMerge(mine, theirs).conflicts
    expect(conflict).toMatchObject({ table: 'glasses', label: 'Other name', later: 'theirs' })
    expect(conflict!.joined.name).toBe('Other name')
    expect(planMerge(theirs, mine).conflicts[0]).toMatchObject({ later: 'mine', joined: { name: 'Other name' } })
  })
  it('treats two versions of one entry as a conflict: entries never change', () => {
    const mine = backupOf()
    const theirs = structuredClone(mine)
    Object.assign(theirs.entries[0]!, { number: 99 })
    expect(planMerge(mine, theirs).conflicts[0]).toMatchObject({ table: 'entries', label: 'count', later: 'mine' })
  })
  it('adds a record once that a file holds twice', () => {
    const b = backupOf()
    expect(
      planMerge({ ...b, entries: [] }, { ...b, entries: [b.entries[0]!, b.entries[0]!] }).add.entries,
    ).toHaveLength(1)
  })
  it('brings two devices to the same records whichever way they merge', () => {
    const base = backupOf()
    const colonyId = base.colonies[0]!.id
    fc.assert(
      fc.property(fc.array(fc.nat(200), { maxLength: 6 }), fc.array(fc.nat(200), { maxLength: 6 }), (a, b) => {
        const here = { ...base, entries: [...base.entries, ...a.map(n => count(colonyId, n, n))] }
        const there = { ...base, entries: [...base.entries, ...b.map(n => count(colonyId, n, n))] }
        const ids = (x: Backup, y: Backup) => [...x.entries, ...planMerge(x, y).add.entries].map(e => e.id).sort()
        expect(ids(here, there)).toEqual(ids(there, here))
      }),
    )
  })
  it('brings the attic along once', () => {
    const b = backupOf()
    const attic = [{ id: nextId(), table: 'glasses' as const, replacedAt: daysAgo(1), record: { name: 'old' } }]
    expect(planMerge(b, { ...b, attic }).add.attic).toEqual(attic)
    expect(planMerge({ ...b, attic }, { ...b, attic }).add.attic).toEqual([])
  })
})
