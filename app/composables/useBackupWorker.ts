import { proxy, type Remote } from 'comlink'
import { type BackupIssue, MAX_BACKUP_BYTES } from '#core/formats'
import { backupIssueText } from '~/words/issues'
import type { BackupApi, LookStep } from '~/workers/backup.worker'
import { WORKER_TROUBLE } from './useWorker'

/** What could not be looked at, in one sentence. */
export interface Refused {
  ok: false
  problem: string
}

/**
 * The worker that writes backups and looks into them; it lives as long as the work. `step` tells where a look stands,
 * and `stop` ends it.
 */
export function useBackupWorker() {
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
  return { step, once, lookInto, stop, tell }
}
