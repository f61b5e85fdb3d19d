import { type ShelfItem, type Source, usualBench } from '#core/records'

/** Records as version 2 had them. */
type Old<T> = Omit<T, 'rev' | 'ended'> & { retired: boolean }

/** The salts that recipes of version 1 took for granted. */
const SALTS = [
  ['Calcium chloride', 'calciumChlorideDihydrate'],
  ['Magnesium sulfate', 'magnesiumSulfateHeptahydrate'],
  ['Sodium bicarbonate', 'sodiumBicarbonate'],
] as const

/**
 * Turns a room of version 1, which knew its change water by GH and KH alone, into one with sources and a shelf.
 * Ids are made from the room's own, so that the same file comes to the same records on every device. Whatever is not as
 * it should be is left for the schema to name.
 * @param raw a room as it stands in the file
 */
export function suppliesOfVersion1(raw: unknown): { room: unknown; sources: Old<Source>[]; shelf: Old<ShelfItem>[] } {
  if (typeof raw !== 'object' || raw === null) return { room: raw, sources: [], shelf: [] }
  const { changeWater, ...room } = raw as {
    id?: unknown
    editedAt?: unknown
    changeWater?: { ghDh?: unknown; khDh?: unknown }
  }
  const roomId = String(room.id)
  const editedAt = String(room.editedAt)
  const derived = (n: number) => `${roomId.slice(0, -2)}${(0xa0 + n).toString(16)}`
  const ghDh = Number(changeWater?.ghDh ?? 0)
  const khDh = Number(changeWater?.khDh ?? 0)
  const source = (
    n: number,
    { name, kind }: Pick<Source, 'name' | 'kind'>,
    { values, by }: Pick<Source['analyses'][number], 'values' | 'by'>,
  ): Old<Source> => ({
    id: derived(n),
    editedAt,
    roomId,
    name,
    kind,
    disinfectant: kind === 'tap' ? 'unknown' : 'none',
    analyses: [{ at: editedAt, by, values }],
    retired: false,
  })
  return {
    room: { ...room, bench: usualBench },
    sources: [
      source(
        0,
        { name: 'Pure water', kind: 'pure' },
        { by: 'assumed', values: { ghDh: 0, khDh: 0, conductivityUsCm: 5 } },
      ),
      ...(ghDh > 0 || khDh > 0
        ? [source(1, { name: 'Change water', kind: 'tap' }, { by: 'ownTest', values: { ghDh, khDh } })]
        : []),
    ],
    shelf: SALTS.map(([name, salt], i) => ({
      id: derived(2 + i),
      editedAt,
      roomId,
      name,
      content: { by: 'salt', salt },
      retired: false,
    })),
  }
}
