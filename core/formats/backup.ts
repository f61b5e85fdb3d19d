import { z } from 'zod'
import {
  Colony,
  Entry,
  Glass,
  Moment,
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
import { migrate } from './migrate'

/** Version of the backup's schema. Raise it with a migration in `migrations` when a record changes its shape. */
export const BACKUP_VERSION = 4
/** Says what the file is, to people and to the reader. */
export const BACKUP_FORMAT = 'ulkin-backup'
/** Larger files are refused before they are parsed: ten years of a large room are about 40 MB, a hundred photos as much again. */
export const MAX_BACKUP_BYTES = 120_000_000

/** A version of a record that an import or an edit replaced. Nothing is lost. */
export const AtticItem = z.strictObject({
  id: z.string(),
  table: z.enum([
    'rooms',
    'racks',
    'glasses',
    'colonies',
    'sources',
    'shelf',
    'plans',
    'scenarios',
    'orders',
    'practice',
    'photos',
    'entries',
  ]),
  replacedAt: Moment,
  record: z.record(z.string(), z.unknown()),
})
export type AtticItem = z.infer<typeof AtticItem>

/** The whole of a keeper's data. */
export const Backup = z.strictObject({
  format: z.literal(BACKUP_FORMAT),
  version: z.literal(BACKUP_VERSION),
  exportedAt: Moment,
  rooms: z.array(Room),
  racks: z.array(Rack),
  glasses: z.array(Glass),
  colonies: z.array(Colony),
  sources: z.array(Source),
  shelf: z.array(ShelfItem),
  plans: z.array(Plan),
  scenarios: z.array(Scenario),
  orders: z.array(Order),
  practice: z.array(Practice),
  photos: z.array(Photo),
  entries: z.array(Entry),
  attic: z.array(AtticItem),
})
export type Backup = z.infer<typeof Backup>

/** What can be wrong with a file, as data; the sentences are in app/words. */
export type BackupIssue =
  | { kind: 'tooLarge'; bytes: number }
  | { kind: 'notJson'; detail: string }
  | { kind: 'notABackup' }
  | { kind: 'newerVersion'; version: number }
  | { kind: 'badVersion'; version: string }
  | { kind: 'wrongShape'; path: string; detail: string; count: number }
  | { kind: 'danglingReference'; path: string; id: string }

/** What came of reading a file. */
export type BackupRead = { ok: true; backup: Backup } | { ok: false; issue: BackupIssue }

/**
 * Reads a backup file. Never throws; a file with any fault is refused whole, so that half a room never comes in.
 * @param text the file's text
 * @returns the data in the present version, or the first issue with its place and the number of issues
 */
export function parseBackup(text: string): BackupRead {
  if (text.length > MAX_BACKUP_BYTES) return { ok: false, issue: { kind: 'tooLarge', bytes: text.length } }
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (error) {
    return { ok: false, issue: { kind: 'notJson', detail: error instanceof Error ? error.message : String(error) } }
  }
  const head = z.looseObject({ format: z.literal(BACKUP_FORMAT), version: z.unknown() }).safeParse(raw)
  if (!head.success) return { ok: false, issue: { kind: 'notABackup' } }
  const { version } = head.data
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { ok: false, issue: { kind: 'badVersion', version: String(version).slice(0, 20) } }
  if (version > BACKUP_VERSION) return { ok: false, issue: { kind: 'newerVersion', version } }
  const parsed = Backup.safeParse(migrate(head.data, BACKUP_VERSION))
  if (!parsed.success) {
    const first = parsed.error.issues[0]!
    return {
      ok: false,
      issue: {
        kind: 'wrongShape',
        path: first.path.join('.'),
        detail: first.message,
        count: parsed.error.issues.length,
      },
    }
  }
  const dangling = firstDangling(parsed.data)
  return dangling ? { ok: false, issue: dangling } : { ok: true, backup: parsed.data }
}

/**
 * A backup as text that reads back the same.
 * @param backup validated data
 */
export function writeBackup(backup: Backup): string {
  return JSON.stringify(backup, null, 1)
}

/** The first record that points at one that is not in the file. */
function firstDangling(b: Backup): BackupIssue | null {
  const ids = (records: readonly { id: string }[]) => new Set(records.map(r => r.id))
  const rooms = ids(b.rooms)
  const racks = ids(b.racks)
  const glasses = ids(b.glasses)
  const colonies = ids(b.colonies)
  const photos = ids(b.photos)
  const issue = (path: string, id: string): BackupIssue => ({ kind: 'danglingReference', path, id })
  for (const table of ['racks', 'sources', 'shelf', 'plans', 'orders', 'practice'] as const)
    for (const [i, r] of b[table].entries()) if (!rooms.has(r.roomId)) return issue(`${table}.${i}.roomId`, r.roomId)
  for (const [i, g] of b.glasses.entries()) {
    if (!rooms.has(g.roomId)) return issue(`glasses.${i}.roomId`, g.roomId)
    if (!racks.has(g.place.rackId)) return issue(`glasses.${i}.place.rackId`, g.place.rackId)
  }
  for (const [i, c] of b.colonies.entries())
    if (!glasses.has(c.glassId)) return issue(`colonies.${i}.glassId`, c.glassId)
  for (const table of ['scenarios', 'orders'] as const)
    for (const [i, r] of b[table].entries())
      if (!colonies.has(r.colonyId)) return issue(`${table}.${i}.colonyId`, r.colonyId)
  for (const [i, e] of b.entries.entries()) {
    if ('colonyId' in e && e.colonyId !== undefined && !colonies.has(e.colonyId))
      return issue(`entries.${i}.colonyId`, e.colonyId)
    if ('toColonyId' in e && e.toColonyId !== undefined && !colonies.has(e.toColonyId))
      return issue(`entries.${i}.toColonyId`, e.toColonyId)
    if (e.kind === 'photo' && !photos.has(e.photoId)) return issue(`entries.${i}.photoId`, e.photoId)
    if ('glassId' in e && e.glassId !== undefined && !glasses.has(e.glassId))
      return issue(`entries.${i}.glassId`, e.glassId)
  }
  return null
}
