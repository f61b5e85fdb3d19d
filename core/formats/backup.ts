import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { z } from 'zod'
import {
  Moment,
  type Registry,
  registry as tablesWithSchemas,
  type TableDefinitions,
  tables,
  type Tables,
} from '#core/records'
import { migrate } from './migrate'

/** Version of the backup's schema. Raise it with a migration in `migrations` when a record changes its shape. */
export const BACKUP_VERSION = 7
/** Says what the file is, to people and to the reader. */
export const BACKUP_FORMAT = 'ulkin-backup'
/**
 * Larger files are refused before they are parsed: ten years of a large room are about 40 MB, a hundred photos as much
 * again.
 */
export const MAX_BACKUP_BYTES = 120_000_000

const head = {
  format: z.literal(BACKUP_FORMAT),
  version: z.literal(BACKUP_VERSION),
  exportedAt: Moment,
}

/** Rows by table. */
export type Rows = { [T in keyof Tables]: Tables[T][] }
/** The whole of a keeper's data. */
export type Backup = { [K in keyof typeof head]: z.infer<(typeof head)[K]> } & Rows

/**
 * The schema of a backup file: its head, and a list of rows for each table.
 * @param registry which tables; all of the app's when missing
 */
export function backupSchema(registry: Registry = tablesWithSchemas) {
  const rows = Object.entries(registry).map(([name, table]) => [name, z.array(table.schema)])
  return z.strictObject({ ...head, ...(Object.fromEntries(rows) as Record<string, z.ZodArray>) })
}
/** Schema of the app's own backups. */
export const Backup = backupSchema() as unknown as z.ZodType<Backup>

/** Tables without a row. */
export const noRows = (definitions: TableDefinitions = tables): Rows =>
  Object.fromEntries(Object.keys(definitions).map(name => [name, []])) as unknown as Rows

/** What can be wrong with a file, as data; the sentences are in app/words. */
export type BackupIssue =
  | { kind: 'tooLarge'; bytes: number }
  | { kind: 'notJson'; detail: string }
  | { kind: 'notABackup' }
  | { kind: 'newerVersion'; version: number }
  | { kind: 'badVersion'; version: string }
  | { kind: 'wrongShape'; path: string; detail: string; count: number }
  | { kind: 'danglingReference'; path: string; id: string }
  /** what is named there belongs to another room */
  | { kind: 'otherRoom'; path: string; id: string }

/** What came of reading a file. */
export type BackupRead =
  | {
      ok: true
      backup: Backup
      /** whether somebody changed the file since Ulkin wrote it; null for files of versions that had no checksum */
      changedSince: boolean | null
    }
  | { ok: false; issue: BackupIssue }

const refused = (issue: BackupIssue): BackupRead => ({ ok: false, issue })

/**
 * Reads a backup file. Never throws; a file with any fault is refused whole, so that half a room never comes in.
 * @param text the file's text
 * @param registry which tables the file holds
 * @returns the data in the present version, or the first issue with its place and the number of issues
 */
export function parseBackup(text: string, registry: Registry = tablesWithSchemas): BackupRead {
  if (text.length > MAX_BACKUP_BYTES) return refused({ kind: 'tooLarge', bytes: text.length })
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (error) {
    return refused({ kind: 'notJson', detail: error instanceof Error ? error.message : String(error) })
  }
  const known = z.looseObject({ format: z.literal(BACKUP_FORMAT), version: z.unknown() }).safeParse(raw)
  if (!known.success) return refused({ kind: 'notABackup' })
  // the keys in the order of the file: the checksum was made over them
  const { checksum, ...file } = raw as Record<string, unknown>
  const { version } = file
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refused({ kind: 'badVersion', version: String(version).slice(0, 20) })
  if (version > BACKUP_VERSION) return refused({ kind: 'newerVersion', version })
  const parsed = backupSchema(registry).safeParse(migrate(file, BACKUP_VERSION))
  if (!parsed.success) return refused(firstIssue(parsed.error))
  const backup = parsed.data as unknown as Backup
  const dangling = firstDangling(backup, registry)
  if (dangling) return refused(dangling)
  return { ok: true, backup, changedSince: checksum === undefined ? null : checksum !== checksumOf(file) }
}

function firstIssue({ issues }: z.ZodError): BackupIssue {
  const first = issues[0]!
  return { kind: 'wrongShape', path: first.path.join('.'), detail: first.message, count: issues.length }
}

/**
 * A backup as text that reads back the same, with a checksum over everything else: a file that somebody changed since
 * says so when it is read. Spaces and lines do not count.
 * @param backup validated data
 */
export function writeBackup(backup: Backup): string {
  return JSON.stringify({ ...backup, checksum: checksumOf(backup) }, null, 1)
}

/** SHA-256 (FIPS 180-4, by package @noble/hashes) of the data as JSON without spaces. */
const checksumOf = (data: object): string => bytesToHex(sha256(utf8ToBytes(JSON.stringify(data))))

type Row = { id: string; roomId?: string }

/** The first record that points at one that is not in the file, or that belongs to another room. */
function firstDangling(rows: Rows, registry: TableDefinitions): BackupIssue | null {
  const lists = rows as unknown as Record<string, readonly Row[]>
  const byId = new Map(Object.keys(registry).map(name => [name, new Map(lists[name]!.map(r => [r.id, r]))]))
  /** Room of a row: named by itself, or by the first row that it names. */
  const roomOf = (table: string, row: Row): string | undefined => {
    if (table === 'rooms') return row.id
    if (row.roomId !== undefined) return row.roomId
    const [first] = registry[table]!.references(row)
    const named = first && byId.get(first.table)?.get(first.id)
    return named && roomOf(first.table, named)
  }
  for (const [name, { references }] of Object.entries(registry))
    for (const [i, record] of lists[name]!.entries())
      for (const { path, table, id } of references(record)) {
        const named = byId.get(table)?.get(id)
        if (!named) return { kind: 'danglingReference', path: `${name}.${i}.${path}`, id }
        const [own, other] = [roomOf(name, record), roomOf(table, named)]
        if (own !== undefined && other !== undefined && own !== other)
          return { kind: 'otherRoom', path: `${name}.${i}.${path}`, id }
      }
  return null
}
