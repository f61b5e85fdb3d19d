import { type Edited, type EditedTable, type EndingReason, inUse, presentGlassId, toMoment } from '#core/records'
import { openDb } from '~/data/database'
import { deleteUnused, type Write } from '~/data/saveRecord'

/** What can end, with the table where it lies. */
export type Endable = Extract<
  EditedTable,
  'rooms' | 'racks' | 'glasses' | 'colonies' | 'animals' | 'eggLots' | 'lines' | 'sources' | 'shelf' | 'plans'
>

/** Ending things, bringing them back, and taking away for good what was begun by mistake. */
export function useEndings() {
  const room = useRoomStore()
  const log = useLogStore()
  const { saving, attempt, save, saveAll } = useSave()
  const named = (record: Edited) => ('name' in record ? String(record.name) : 'It')

  /** The newest version that the room holds. */
  const present = (table: Endable, id: string): Edited | undefined =>
    table === 'rooms' ? room.all.rooms.find(r => r.id === id) : (room.all[table] as Edited[]).find(r => r.id === id)

  /** Ends a record; the notice undoes it. */
  async function end(table: Endable, record: Edited, why: EndingReason, atMs = Date.now()): Promise<boolean> {
    const ended = { at: toMoment(atMs), why }
    if (!(await save(table, { ...record, ended } as never))) return false
    log.tell(`${named(record)} has ended. Records has it, and brings it back.`, async () =>
      (await bringBack(table, record.id)) ? 'Brought back.' : '',
    )
    return true
  }

  /** What must come back too, so that a record stands somewhere: its glass and its rack. */
  function heldBy(table: Endable, record: Edited): Write[] {
    const back = (table: Endable, r: Edited | undefined): Write[] =>
      r && !inUse(r) ? [...heldBy(table, r), { table, record: without(r) } as unknown as Write] : []
    if (table === 'colonies') return back('glasses', room.glassById.get(presentGlassId(record as never)))
    if (table === 'glasses')
      return back('racks', present('racks', (record as unknown as { place: { rackId: string } }).place.rackId))
    return []
  }
  const without = ({ ended: _, ...record }: Edited): Edited => record

  /** Brings something back, with the glass and rack that it stands in. */
  async function bringBack(table: Endable, id: string): Promise<boolean> {
    await until(() => present(table, id)?.ended).toBeTruthy({ timeout: 1000 })
    const record = present(table, id)
    if (!record) return false
    return saveAll([...heldBy(table, record), { table, record: without(record) } as unknown as Write])
  }

  /**
   * Takes something away for good that was begun by mistake: nothing names it.
   * @returns false, and nothing is changed, where something does
   */
  async function remove(table: 'racks' | 'glasses' | 'colonies' | 'lines', id: string): Promise<boolean> {
    let gone = false
    await attempt(async () => {
      gone = await deleteUnused(openDb(), table, id, Date.now())
    })
    log.tell(gone ? 'Taken away for good.' : 'It stays: the log or another record speaks of it.')
    return gone
  }
  return { saving, end, bringBack, remove }
}
