import { wrap } from 'comlink'
import { format } from 'date-fns'
import { type Backup, type BackupRead, MAX_BACKUP_BYTES, type MergeConflict, type MergePlan } from '#core/formats'
import { applyMerge, compareBackup, eraseAll, readAll } from '~/data/backups'
import { openDb } from '~/data/database'
import { saveFile } from '~/files/saveFile'
import { backupIssueText } from '~/words/issues'
import type { BackupApi } from '~/workers/backup.worker'

/** Backups out and in. Reading happens in a worker that lives as long as one reading. */
export function useBackups() {
  async function inWorker<T>(use: (api: ReturnType<typeof wrap<BackupApi>>) => Promise<T>): Promise<T> {
    const worker = new Worker(new URL('../workers/backup.worker.ts', import.meta.url), {
      type: 'module',
      name: 'backup',
    })
    try {
      // a worker that cannot start would never answer
      const failed = new Promise<never>((_, reject) =>
        worker.addEventListener('error', e => reject(new Error(e.message || 'the worker did not start'))),
      )
      return await Promise.race([use(wrap<BackupApi>(worker)), failed])
    } finally {
      worker.terminate()
    }
  }

  /** Saves everything on this device as a file. */
  async function save(): Promise<string> {
    const now = new Date()
    const backup = await readAll(openDb(), now.getTime())
    const text = await inWorker(api => api.writeBackup(backup))
    const name = `ulkin-${format(now, 'yyyy-MM-dd-HHmm')}.json`
    saveFile(name, text, 'application/json')
    return name
  }

  /** Reads a file and says what bringing it in would do; changes nothing. */
  async function look(
    file: File,
  ): Promise<{ ok: true; backup: Backup; plan: MergePlan } | { ok: false; problem: string }> {
    // the size is known before a byte is read
    if (file.size > MAX_BACKUP_BYTES)
      return { ok: false, problem: backupIssueText({ kind: 'tooLarge', bytes: file.size }) }
    const text = await file.text()
    // the package spreads a union over promises, which TypeScript then cannot tell apart
    const read = await inWorker(async api => (await api.parseBackup(text)) as BackupRead)
    if (!read.ok) return { ok: false, problem: backupIssueText(read.issue) }
    return { ok: true, backup: read.backup, plan: await compareBackup(openDb(), read.backup, Date.now()) }
  }

  const bringIn = (plan: MergePlan, takeTheirs: MergeConflict[]) => applyMerge(openDb(), plan, takeTheirs, Date.now())
  const erase = () => eraseAll(openDb())
  return { save, look, bringIn, erase }
}
