import { dequal } from 'dequal'
import {
  atticItem,
  type AtticItem,
  type Clash,
  type Edited,
  mergeRecord,
  type Registry,
  registry as tablesWithSchemas,
  type TableDefinitions,
  tables,
  type TableName,
} from '#core/records'
import { noRows, type Rows } from './backup'

type Row = { id: string }

/** A record of which both sides hold versions that neither was made from, with fields that both changed. */
export interface MergeConflict {
  table: TableName
  id: string
  /** name or kind, for the report */
  label: string
  mine: Record<string, unknown>
  theirs: Record<string, unknown>
  /** the version that both were made from, where somebody still has it */
  base: Record<string, unknown> | null
  /** what is offered: both joined, and of a field that both changed the later version's */
  joined: Record<string, unknown>
  /** fields that both changed */
  clashes: Clash[]
  /** whose value `joined` holds in them */
  later: 'mine' | 'theirs'
}

/** How the keeper settles a conflict: as it is offered, or with one side's values where both changed a field. */
export type Settlement = 'joined' | 'mine' | 'theirs'

/** What an import would do, before it does anything. */
export interface MergePlan {
  add: Rows
  /** records of this device that the file has newer versions of, or that both sides changed in different fields */
  update: { table: TableName; id: string; label: string; mine: Row; theirs: Row; record: Row }[]
  /** records that are the same on both sides, or older in the file */
  same: number
  conflicts: MergeConflict[]
}

/**
 * Compares a backup with what is here: new records are to be added, equal ones are left; of a record that only one side
 * changed the later version is taken, and where both sides changed different fields these are joined. Fields that both
 * changed are conflicts, which the keeper may settle; what is offered is the same on both devices, so that they come to
 * the same state. Entries are never changed once made, so two versions of one entry mean a damaged or edited file.
 * @param mine what is on this device
 * @param theirs what is in the file
 */
export function planMerge(mine: Rows, theirs: Rows, definitions: TableDefinitions = tables): MergePlan {
  const plan: MergePlan = { add: noRows(definitions), update: [], same: 0, conflicts: [] }
  const replaced = { mine: replacedBy(mine.attic), theirs: replacedBy(theirs.attic) }
  for (const [name, { way }] of Object.entries(definitions)) {
    const table = name as TableName
    const known = new Map<string, Row>((mine[table] as Row[]).map(r => [r.id, r]))
    for (const record of theirs[table] as Row[]) {
      const own = known.get(record.id)
      if (own) compare({ plan, table, replaced, edited: way === 'edited' }, own, record)
      else {
        ;(plan.add[table] as Row[]).push(record)
        // a file that holds the same id twice must not add it twice
        known.set(record.id, record)
      }
    }
  }
  return plan
}

/** Older versions of records by id and version. */
type Replaced = ReadonlyMap<string, ReadonlyMap<string, AtticItem['record']>>

interface Comparing {
  plan: MergePlan
  table: TableName
  replaced: { mine: Replaced; theirs: Replaced }
  edited: boolean
}

function compare({ plan, table, replaced, edited }: Comparing, mine: Row, theirs: Row): void {
  // the same version of one record in two attics was put away at two moments
  if (table === 'attic' || dequal(mine, theirs)) return void plan.same++
  const about = { table, id: mine.id, label: labelOf(theirs) }
  const sides = {
    mine: mine as unknown as Record<string, unknown>,
    theirs: theirs as unknown as Record<string, unknown>,
  }
  if (!edited) {
    const clashes = [{ field: '', mine, theirs }]
    return void plan.conflicts.push({ ...about, ...sides, base: null, joined: sides.mine, clashes, later: 'mine' })
  }
  const [own, other] = [mine as Edited, theirs as Edited]
  const [mineBefore, theirsBefore] = [replaced.mine.get(mine.id), replaced.theirs.get(mine.id)]
  const theyAreOlder = mineBefore?.has(other.rev) ?? false
  const weAreOlder = theirsBefore?.has(own.rev) ?? false
  if (theyAreOlder && !weAreOlder) return void plan.same++
  if (weAreOlder && !theyAreOlder) return void plan.update.push({ ...about, mine, theirs, record: theirs })
  const base = commonVersion(mineBefore, theirsBefore)
  const { record, clashes } = mergeRecord(base, own, other)
  if (clashes.length === 0) return void plan.update.push({ ...about, mine, theirs, record })
  const later = own.rev >= other.rev ? 'mine' : 'theirs'
  plan.conflicts.push({ ...about, ...sides, base: base && { ...base }, joined: { ...record }, clashes, later })
}

/** The latest version that both sides have replaced: the one that both were made from. */
function commonVersion(
  mine: ReadonlyMap<string, AtticItem['record']> = new Map(),
  theirs: ReadonlyMap<string, AtticItem['record']> = new Map(),
): Edited | null {
  const common = [...mine.keys()].filter(rev => theirs.has(rev)).sort()
  return common.length > 0 ? (mine.get(common.at(-1)!) as unknown as Edited) : null
}

function replacedBy(attic: readonly AtticItem[]): Replaced {
  const versions = new Map<string, Map<string, AtticItem['record']>>()
  for (const { record } of attic) {
    const { id, rev } = record
    if (typeof id !== 'string' || typeof rev !== 'string') continue
    const known = versions.get(id)
    if (known) known.set(rev, record)
    else versions.set(id, new Map([[rev, record]]))
  }
  return versions
}

/** What carrying out a plan writes: rows that are new, rows that change, and the versions that go to the attic. */
export interface MergeWrites {
  put: { table: TableName; record: Row }[]
  attic: AtticItem[]
}

/**
 * What a plan's updates and settled conflicts write. A version that is replaced goes to the attic, and so does the one
 * of the file that is not taken as it is.
 * @param settle how the keeper settles each conflict
 * @param registry a joined record that its schema refuses gives way to the later version
 */
export function mergeWrites(
  plan: MergePlan,
  settle: (conflict: MergeConflict) => Settlement,
  nowMs: number,
  registry: Registry = tablesWithSchemas,
): MergeWrites {
  const writes: MergeWrites = { put: [], attic: [] }
  const write = (table: TableName, sides: { mine: Row; theirs: Row }, wanted: Row) => {
    const later = revOf(sides.mine) >= revOf(sides.theirs) ? sides.mine : sides.theirs
    const fits = registry[table]!.schema.safeParse(wanted).success
    const record = fits ? wanted : later
    if (!dequal(record, sides.mine)) writes.put.push({ table, record })
    const replaced = [sides.mine, sides.theirs].filter(version => !dequal(version, record))
    const items = replaced.map(version => atticItem(table, version, nowMs))
    // a file that somebody changed by hand may hold two versions under one number: both are kept
    if (items.length === 2 && items[0]!.id === items[1]!.id) items[1]!.id += '.file'
    writes.attic.push(...items)
  }
  for (const u of plan.update) write(u.table, u, u.record)
  for (const c of plan.conflicts) {
    const [mine, theirs] = [c.mine as Row, c.theirs as Row]
    write(c.table, { mine, theirs }, settled(c, settle(c)))
  }
  return writes
}

const revOf = (record: Row): string => ('rev' in record ? String(record.rev) : '')

function settled(conflict: MergeConflict, how: Settlement): Row {
  // what is written once has no versions to join
  if (how === 'joined' || !('rev' in conflict.mine)) return conflict[how] as Row
  const edited = (record: Record<string, unknown> | null) => record as unknown as Edited
  return mergeRecord(edited(conflict.base), edited(conflict.mine), edited(conflict.theirs), how).record
}

function labelOf(record: object): string {
  if ('name' in record) return String(record.name)
  return 'kind' in record ? String(record.kind) : ''
}
