import type { EditedTable, Tables } from '#core/records'
import { openDb } from '~/data/database'
import type { Saved, Write } from '~/data/saveRecord'
import { writeDoor } from '~/data/writeDoor'
import { clashText } from '~/words/clash'

/**
 * The one way to save: says while it works, and tells in a plain sentence when it fails. Nothing else in the app writes
 * records; the log store writes entries through `attempt`.
 * @example
 * const { saving, save } = useSave()
 * if (await save('racks', { ...rack, name })) open.value = false
 * @param queue whether a save that comes while another is under way waits for it; a form's second press is dropped
 * instead
 */
export function useSave({ queue = false }: { queue?: boolean } = {}) {
  const trouble = useTroubleStore()
  const log = useLogStore()
  const saving = ref(false)

  let before: Promise<unknown> = Promise.resolve()

  /**
   * Does some writing.
   * @returns whether it went well
   */
  async function attempt(write: () => Promise<unknown>): Promise<boolean> {
    if (saving.value && !queue) return false
    saving.value = true
    const mine = before.then(write)
    before = mine.catch(() => undefined)
    try {
      await mine
      trouble.forget()
      return true
    } catch (error) {
      trouble.tellSave(error)
      return false
    } finally {
      saving.value = false
    }
  }
  const told = ({ clashes }: Saved) => {
    if (clashes.length > 0) log.tell(clashText(clashes))
  }
  /** Writes a record; only what was changed on the sheet. */
  const save = <T extends EditedTable>(table: T, record: Tables[T]): Promise<boolean> =>
    attempt(async () => told(await (await writeDoor()).saveRecord(openDb(), table, toRaw(record), Date.now())))
  /** Writes several records as one step. */
  const saveAll = (writes: readonly Write[]): Promise<boolean> =>
    attempt(async () => told(await (await writeDoor()).saveRecords(openDb(), writes, Date.now())))
  return { saving, attempt, save, saveAll }
}
