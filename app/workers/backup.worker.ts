import { expose } from 'comlink'
import { parseBackup, writeBackup } from '#core/formats'

/** Reading and writing backups off the page's thread: a long log takes seconds to check. */
const api = { parseBackup, writeBackup }
export type BackupApi = typeof api
expose(api)
