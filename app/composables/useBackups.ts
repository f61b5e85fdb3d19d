import { type Backup, type BackupRead, MAX_BACKUP_BYTES, type MergePlan, type Settlement } from '#core/formats'
import { dropAside, eraseAll, lackingIn } from '~/data/aside'
import { bringIn as bring, compareBackup, readAll } from '~/data/backups'
import { openDb } from '~/data/database'
import { saveFile } from '~/files/saveFile'
import { deviceDay } from '~/forms/deviceDays'
import { backupIssueText } from '~/words/issues'
import { WORKER_TROUBLE } from './useWorker'
import type { BackupApi } from '~/workers/backup.worker'

/** A file that was read, and what bringing it in would do. */
export interface LookedAt {
  file: string
  backup: Backup
  plan: MergePlan
  /** whether somebody changed it since Ulkin wrote it */
  changedSince: boolean | null
}

/** Backups out and in. Reading, checking and comparing happen in a worker that lives as long as the work. */
export function useBackups() {
  const worker = () =>
    lastingWorker<BackupApi>(
      () => new Worker(new URL('../workers/backup.worker.ts', import.meta.url), { type: 'module', name: 'backup' }),
    )
  async function once<T>(use: Parameters<ReturnType<typeof worker>['call']>[0]): Promise<T> {
    const { call, end } = worker()
    try {
      return (await call(use)) as T
    } finally {
      end()
    }
  }

  /** Hands everything on this device to the browser as a file. @returns the file's name */
  async function save(): Promise<string> {
    const now = Date.now()
    const backup = await readAll(openDb(), now)
    const text = await once<string>(api => api.writeBackup(backup))
    const time = new Date(now).toTimeString().slice(0, 5).replace(':', '')
    const name = `ulkin-${deviceDay(now)}-${time}.json`
    saveFile(name, text, 'application/json')
    return name
  }

  /** Reads a file; changes nothing. */
  async function read(file: File): Promise<BackupRead | { ok: false; problem: string }> {
    // the size is known before a byte is read
    if (file.size > MAX_BACKUP_BYTES)
      return { ok: false, problem: backupIssueText({ kind: 'tooLarge', bytes: file.size }) }
    try {
      const text = await file.text()
      return await once<BackupRead>(api => api.parseBackup(text))
    } catch (error) {
      const unreadable = 'The browser cannot read this file: was it moved, or is it still being written?'
      return {
        ok: false,
        problem: `${error instanceof WorkerTrouble ? WORKER_TROUBLE : unreadable} Nothing was changed.`,
      }
    }
  }

  /** Reads a file and says what bringing it in would do; changes nothing. */
  async function look(file: File): Promise<({ ok: true } & LookedAt) | { ok: false; problem: string }> {
    const looked = await read(file)
    if (!looked.ok) return { ok: false, problem: 'problem' in looked ? looked.problem : backupIssueText(looked.issue) }
    const { backup, changedSince } = looked
    return { ok: true, file: file.name, backup, changedSince, plan: await compareBackup(openDb(), backup) }
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
    const looked = await read(file)
    if (!looked.ok) return 'problem' in looked ? looked.problem : backupIssueText(looked.issue)
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
  return { save, look, bringIn, erase, dropWith }
}
