export { calendarFile, type CalendarEvent } from './calendar'
export {
  AtticItem,
  Backup,
  BACKUP_FORMAT,
  BACKUP_VERSION,
  type BackupIssue,
  type BackupRead,
  MAX_BACKUP_BYTES,
  parseBackup,
  writeBackup,
} from './backup'
export { type MergeConflict, mergeTables, type MergePlan, type MergeTable, planMerge } from './merge'
export { migrate, type Migrations } from './migrate'
export { suppliesOfVersion1 } from './suppliesOfVersion1'
