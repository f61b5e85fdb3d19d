import { proxy, type Remote } from 'comlink'
import { type Backup, type BackupIssue, MAX_BACKUP_BYTES, type MergePlan, type Settlement } from '#core/formats'
import { dropAside, eraseAll, lackingIn } from '~/data/aside'
import { bringIn as bring, readAll } from '~/data/backups'
import { openDb } from '~/data/database'
import { saveFile } from '~/files/saveFile'
import { deviceDay } from '~/forms/deviceDays'
import { backupIssueText } from '~/words/issues'
import { WORKER_TROUBLE } from './useWorker'
import type { BackupApi, LookStep } from '~/workers/backup.worker'

/** A file that was read, and what bringing it in would do. */
export interface LookedAt {
  file: string
  backup: Backup
  plan: MergePlan
  /** whether somebody changed it since Ulkin wrote it */
  changedSince: boolean | null
}

/** What could not be looked at, in one sentence. */
interface Refused {
  ok: false
  problem: string
}

/**
 * Backups out and in. Reading, checking and comparing happen in a worker that lives as long as the work; `step` tells
 * where it stands, and `stop` ends it.
 */
export function useBackups() {
  const step = ref<LookStep | null>(null)
  let working: ReturnType<typeof lastingWorker<BackupApi>> | null = null
  let stopped = false
  async function once<T>(use: (api: Remote<BackupApi>) => Promise<T>): Promise<T> {
    working = lastingWorker<BackupApi>(
      () => new Worker(new URL('../workers/backup.worker.ts', import.meta.url), { type: 'module', name: 'backup' }),
    )
    try {
      return await working.call(use)
    } finally {
      working.end()
      working = null
      step.value = null
    }
  }
  const tell = () => proxy((now: LookStep) => void (step.value = now))

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

  /** Looks into a file; changes nothing. */
  async function lookInto<T extends { ok: true }>(
    file: File,
    use: (api: Remote<BackupApi>) => Promise<T | { ok: false; issue: BackupIssue }>,
  ): Promise<T | Refused> {
    // the size is known before a byte is read
    if (file.size > MAX_BACKUP_BYTES)
      return { ok: false, problem: backupIssueText({ kind: 'tooLarge', bytes: file.size }) }
    stopped = false
    try {
      const looked = await Promise.race([once(use), untilStopped()])
      return looked.ok ? looked : { ok: false, problem: backupIssueText(looked.issue) }
    } catch (error) {
      if (stopped) return { ok: false, problem: 'Stopped. Nothing was changed.' }
      const unreadable = 'The browser cannot read this file: was it moved, or is it still being written?'
      return {
        ok: false,
        problem: `${error instanceof WorkerTrouble ? WORKER_TROUBLE : unreadable} Nothing was changed.`,
      }
    }
  }
  let refuse: (() => void) | null = null
  const untilStopped = () => new Promise<never>((_, reject) => (refuse = () => reject(new Error('stopped'))))
  /** Ends the look into a file that is under way. */
  function stop() {
    stopped = true
    working?.end()
    step.value = null
    refuse?.()
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
