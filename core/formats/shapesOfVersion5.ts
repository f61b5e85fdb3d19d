import { MIN_LITRES } from '#core/records'
import { hashText } from '#core/stats'

type Raw = Record<string, unknown>

/** Tables of version 4 whose records are edited in place. */
export const editedInVersion4 = [
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
] as const

/**
 * Brings a record of version 4 to the shape of version 5: edited records have versions, what was put away has ended,
 * and a colony has stays and a form. The first version follows from what the record says, so that the same old file
 * comes to the same records on every device. Whatever is not as it should be is left for the schema to name.
 * @param table where the record lies
 * @param raw the record as it stands in the file or the database
 */
export function recordOfVersion5(table: string, raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null) return raw
  const { retired, ...record } = raw as Raw
  const stamped: Raw = {
    ...record,
    rev: `000001-${hashText(JSON.stringify(raw)).toString(16).padStart(8, '0')}`,
    ...(retired === true && { ended: { at: record.editedAt, why: 'putAway' } }),
  }
  if (table === 'colonies') return withStays(stamped)
  return table === 'glasses' ? { ...stamped, grossL: atLeast(stamped.grossL) } : stamped
}

/** Version 4 took any litres above nothing; now a twentieth is the least, in files as in forms. */
const atLeast = (litres: unknown) => (typeof litres === 'number' && litres > 0 ? Math.max(MIN_LITRES, litres) : litres)

/** Brings an entry of version 4 to version 5: only litres under the least change. */
export function entryOfVersion5(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null || !('litres' in raw)) return raw
  return { ...raw, litres: atLeast(raw.litres) }
}

function withStays({ glassId, ...colony }: Raw): Raw {
  return { ...colony, form: 'colony', stays: [{ glassId, from: colony.startedAt }] }
}
