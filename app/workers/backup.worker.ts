import { expose } from 'comlink'
import { type BackupRead, type MergePlan, parseBackup, writeBackup } from '#core/formats'
import { compareBackup } from '~/data/backups'
import { openDb } from '~/data/database'

/** Where the look into a file stands. */
export type LookStep = 'reading' | 'checking' | 'comparing'

/**
 * Reads a file and checks it whole.
 * @param tell hears each step as it begins
 * @throws NotReadableError when the browser cannot read the file
 */
async function read(file: File, tell: (step: LookStep) => void) {
  tell('reading')
  const text = await file.text()
  tell('checking')
  return parseBackup(text)
}

/** A file that was read and compared, or what is wrong with it. */
export type Compared = (Extract<BackupRead, { ok: true }> & { plan: MergePlan }) | Extract<BackupRead, { ok: false }>

/** The same, and what bringing it in would do to this device. */
async function look(file: File, tell: (step: LookStep) => void): Promise<Compared> {
  const looked = await read(file, tell)
  if (!looked.ok) return looked
  tell('comparing')
  return { ...looked, plan: await compareBackup(openDb(), looked.backup) }
}

/** Backups off the page's thread: a long log takes seconds to check and to compare. */
const api = { read, look, writeBackup }
export type BackupApi = typeof api
expose(api)
