import { animalIdOf, type Id, LABEL_MOST } from '#core/records'
import { hashText } from '#core/stats'

type Raw = Record<string, unknown>
const rawOf = (row: unknown): Raw | null => (typeof row === 'object' && row !== null ? (row as Raw) : null)

/**
 * The followed animals of version 5, which knew them by a name in sightings of berried females alone: a record for each
 * name of a colony, the same on every device. The entries stay as they are.
 */
export function animalsOfVersion6(raw: { entries: unknown; colonies: unknown; glasses: unknown }): Raw[] {
  const rows = (list: unknown): Raw[] =>
    Array.isArray(list) ? list.map((r: unknown) => rawOf(r)).filter(r => r !== null) : []
  const byId = (list: unknown) => new Map(rows(list).map(r => [r.id, r]))
  const [colonies, glasses] = [byId(raw.colonies), byId(raw.glasses)]
  const animals = new Map<Id, Raw>()
  const named = rows(raw.entries).filter(e => e.kind === 'berried' && typeof e.animal === 'string')
  for (const entry of named.sort((a, b) => (String(a.at) < String(b.at) ? -1 : 1))) {
    const colony = colonies.get(entry.colonyId)
    const [stay] = rows(colony?.stays)
    const roomId = glasses.get(stay?.glassId)?.roomId
    const name = String(entry.animal).trim().slice(0, LABEL_MOST)
    if (!colony || typeof roomId !== 'string' || name === '') continue
    const id = animalIdOf(String(colony.id), name)
    if (animals.has(id)) continue
    const record = { roomId, firstColonyId: colony.id, name, groupId: colony.groupId }
    animals.set(id, {
      ...{ id, editedAt: entry.loggedAt, rev: `000001-${hashText(id).toString(16).padStart(8, '0')}` },
      ...{ ...record, sex: 'female', damIds: [], sireIds: [] },
    })
  }
  return [...animals.values()]
}
