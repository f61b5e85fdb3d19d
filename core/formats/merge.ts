import { dequal } from 'dequal'
import type { Entry } from '#core/records'
import type { AtticItem, Backup } from './backup'

export const mergeTables = [
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
] as const
export type MergeTable = (typeof mergeTables)[number] | 'entries'

/** A record that both sides hold in different versions. */
export interface MergeConflict {
  table: MergeTable
  id: string
  /** name or kind, for the report */
  label: string
  mine: Record<string, unknown>
  theirs: Record<string, unknown>
  /** which side was edited later */
  newer: 'mine' | 'theirs' | 'same'
}

/** What an import would do, before it does anything. */
export interface MergePlan {
  add: Pick<Backup, (typeof mergeTables)[number] | 'entries' | 'attic'>
  /** records that are the same on both sides */
  same: number
  conflicts: MergeConflict[]
}

type Local = Pick<Backup, (typeof mergeTables)[number] | 'entries' | 'attic'>

/**
 * Compares a backup with what is here: new records are to be added, equal ones are left, and where both sides differ
 * nothing is decided: each difference is a conflict that the keeper resolves (keeping mine is the default).
 * Entries are never changed once made, so two versions of one entry mean a damaged or edited file.
 */
export function planMerge(mine: Local, theirs: Local): MergePlan {
  const plan: MergePlan = {
    add: {
      rooms: [],
      racks: [],
      glasses: [],
      colonies: [],
      sources: [],
      shelf: [],
      plans: [],
      scenarios: [],
      orders: [],
      practice: [],
      photos: [],
      entries: [],
      attic: [],
    },
    same: 0,
    conflicts: [],
  }
  const compare = <T extends { id: string }>(table: MergeTable, here: readonly T[], there: readonly T[], add: T[]) => {
    const known = new Map(here.map(r => [r.id, r]))
    for (const record of there) {
      const own = known.get(record.id)
      if (!own) {
        add.push(record)
        // a file that holds the same id twice must not add it twice
        known.set(record.id, record)
      } else if (dequal(own, record)) plan.same++
      else
        plan.conflicts.push({
          table,
          id: record.id,
          label: labelOf(record),
          mine: own as Record<string, unknown>,
          theirs: record as Record<string, unknown>,
          newer: newerOf(own, record),
        })
    }
  }
  compare('rooms', mine.rooms, theirs.rooms, plan.add.rooms)
  compare('racks', mine.racks, theirs.racks, plan.add.racks)
  compare('glasses', mine.glasses, theirs.glasses, plan.add.glasses)
  compare('colonies', mine.colonies, theirs.colonies, plan.add.colonies)
  compare('sources', mine.sources, theirs.sources, plan.add.sources)
  compare('shelf', mine.shelf, theirs.shelf, plan.add.shelf)
  compare('plans', mine.plans, theirs.plans, plan.add.plans)
  compare('scenarios', mine.scenarios, theirs.scenarios, plan.add.scenarios)
  compare('orders', mine.orders, theirs.orders, plan.add.orders)
  compare('practice', mine.practice, theirs.practice, plan.add.practice)
  compare('photos', mine.photos, theirs.photos, plan.add.photos)
  compare<Entry>('entries', mine.entries, theirs.entries, plan.add.entries)
  const attic = new Set(mine.attic.map(a => a.id))
  plan.add.attic = theirs.attic.filter((a: AtticItem) => !attic.has(a.id))
  return plan
}

function labelOf(record: object): string {
  if ('name' in record) return String(record.name)
  return 'kind' in record ? String(record.kind) : ''
}

function newerOf(mine: object, theirs: object): MergeConflict['newer'] {
  const a = 'editedAt' in mine ? String(mine.editedAt) : ''
  const b = 'editedAt' in theirs ? String(theirs.editedAt) : ''
  return a === b ? 'same' : a > b ? 'mine' : 'theirs'
}
