export { animalsOfVersion6 } from './animalsOfVersion6'
export { calendarFile, type CalendarEvent } from './calendar'
export {
  Backup,
  BACKUP_FORMAT,
  BACKUP_VERSION,
  type BackupIssue,
  type BackupRead,
  backupSchema,
  MAX_BACKUP_BYTES,
  noRows,
  parseBackup,
  type Rows,
  writeBackup,
} from './backup'
export { laddersOfVersion7 } from './laddersOfVersion7'
export { type MergeConflict, type MergePlan, type MergeWrites, mergeWrites, planMerge, type Settlement } from './merge'
export { migrate, type Migrations } from './migrate'
export { editedInVersion4, entryOfVersion5, recordOfVersion5 } from './shapesOfVersion5'
export { suppliesOfVersion1 } from './suppliesOfVersion1'
