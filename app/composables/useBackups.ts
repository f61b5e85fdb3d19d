import type { Backup, MergePlan, Settlement } from '#core/formats'
import { dropAside, eraseAll, lackingIn } from '~/data/aside'
import { bringIn as bring, readAll } from '~/data/backups'
import { openDb } from '~/data/database'
import { saveFile } from '~/files/saveFile'
import { deviceDay } from '~/forms/deviceDays'
import { type Refused, useBackupWorker } from './useBackupWorker'

/** A file that was read, and what bringing it in would do. */
export interface LookedAt {
  file: string
  backup: Backup
  plan: MergePlan
  /** whether somebody changed it since Ulkin wrote it */
  changedSince: boolean | null
}

/**
 * Backups out and in. Reading, checking and comparing happen in a worker that lives as long as the work; `step` tells
 * where it stands, and `stop` ends it.
 */
export function useBackups() {
  const { step, once, lookInto, stop, tell } = useBackupWorker()
  /** Hands everything on this device to the browser as a file. @returns the file's name */
  async function save(): Promise<string> {
    const now = Date.now()
    const backup = await readAll(openDb(), now)
    const text = await once(api => api.writeBackup(backup))
    const time = new Date(now).toTimeString().slice(0, 5).replace(':', '')
    const name = `ulkin-${deviceDay(now)}-${time}.json`
    saveFile(name, text, 'application/json')
    return name
  }

  /** Reads a file and says what bringing it in would do; changes nothing. */
  async function look(file: File): Promise<({ ok: true } & LookedAt) | Refused> {
    const looked = await lookInto(file, api => api.look(file, tell()))
    if (!looked.ok) return looked
    return { ...looked, file: file.name }
  }

  /** Brings a file in, with what the keeper chose where both sides had changed the same. */
  const bringIn = (backup: Backup, chosen: ReadonlyMap<string, Settlement>) =>
    bring(openDb(), backup, chosen, Date.now())
  /** Empties the device; everything is put aside and can be brought back. */
  const erase = () => eraseAll(openDb(), Date.now())

  /**
   * Lets what was erased go for good, when a file holds all of it.
   * @returns a sentence when it stays
   */
  async function dropWith(file: File, asideId: string): Promise<string> {
    const looked = await lookInto(file, api => api.read(file, tell()))
    if (!looked.ok) return looked.problem
    const lacking = await lackingIn(openDb(), asideId, looked.backup)
    if (lacking === null) return 'It is gone already.'
    if (lacking > 0)
      return (
        `${file.name} lacks ${lacking === 1 ? 'one record' : `${lacking} records`} of what was erased: ` +
        `everything stays aside. Choose the file that was saved last.`
      )
    await dropAside(openDb(), asideId)
    return ''
  }
  return { step, save, look, stop, bringIn, erase, dropWith }
}
