import { z } from 'zod'
import type { Id } from './id'
import { Moment } from './id'

/** A version of a record that an import or an edit replaced. Nothing is lost. */
export const AtticItem = z.strictObject({
  id: z.string().min(1).max(80),
  table: z.string().min(1).max(40),
  replacedAt: Moment,
  record: z.record(z.string(), z.unknown()),
})
export type AtticItem = z.infer<typeof AtticItem>

/**
 * A replaced version for the attic. Its id follows from record and version, so that two devices which put the same
 * version away hold one item and not two.
 */
export function atticItem(table: string, record: { id: Id; rev?: string }, nowMs: number): AtticItem {
  const replacedAt = new Date(nowMs).toISOString()
  return { id: `${record.id}.${record.rev ?? nowMs}`, table, replacedAt, record: { ...record } }
}
