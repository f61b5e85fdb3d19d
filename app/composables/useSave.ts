import type { EditedTable, Entry, Tables } from '#core/records'
import { openDb } from '~/data/database'
import type { Saved, WayBack, Write } from '~/data/saveRecord'
import { writeDoor } from '~/data/writeDoor'
import { clashText } from '~/words/clash'

/**
 * The one way to save: says while it works, and tells in a plain sentence when it fails. Nothing else in the app writes
 * records; the log store writes entries through `attempt`.
 * @example
 * const { saving, save } = useSave()
 * if (await save('racks', { ...rack, name }, `${name} saved.`)) open.value = false
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
  /** Undoes what was written, with the entries of the same step, and says how that went. */
  async function goBack(ways: readonly WayBack[], entries: readonly Entry[] = []): Promise<string> {
    let all = false
    const done = await attempt(async () => {
      all = await (await writeDoor()).putBack(openDb(), ways, Date.now(), entries)
    })
    return !done ? '' : all ? 'Taken back.' : 'It stays: the log or another record speaks of it.'
  }
  const backThen =
    (undone: (() => unknown) | undefined, ...what: Parameters<typeof goBack>) =>
    async () => {
      const said = await goBack(...what)
      await undone?.()
      return said
    }
  function tell({ clashes, ways }: Saved, words?: string, undone?: () => unknown) {
    if (!words && clashes.length === 0) return
    const gaveWay = clashes.length > 0 ? ` ${clashText(clashes)}` : ''
    log.tell(`${words ?? 'Saved.'}${gaveWay}`, ways.length > 0 ? backThen(undone, ways) : undefined)
  }
  /**
   * Writes a record; only what was changed on the sheet.
   * @param words what the notice says; it undoes the write. No notice when missing, unless a value gave way
   */
  const save = <T extends EditedTable>(table: T, record: Tables[T], words?: string): Promise<boolean> =>
    attempt(async () => tell(await (await writeDoor()).saveRecord(openDb(), table, toRaw(record), Date.now()), words))
  /**
   * Writes several records as one step.
   * @param words as of `save`
   * @param undone what follows when the notice undid it
   */
  const saveAll = (writes: readonly Write[], words?: string, undone?: () => unknown): Promise<boolean> =>
    attempt(async () => tell(await (await writeDoor()).saveRecords(openDb(), writes, Date.now()), words, undone))
  /**
   * Writes records and the entries that go with them as one step; the notice undoes both.
   * @param undone what follows when it did
   */
  const saveWith = (
    writes: readonly Write[],
    entries: readonly Entry[],
    words: string,
    undone?: () => unknown,
  ): Promise<boolean> =>
    attempt(async () => {
      const { saveTogether } = await writeDoor()
      const { revised, ways } = await saveTogether(openDb(), writes, entries, Date.now())
      log.wrote(revised, { words, entries: [...entries], back: backThen(undone, ways, entries) })
    })
  return { saving, attempt, save, saveAll, saveWith }
}
