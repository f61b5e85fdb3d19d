export { addEntries } from './addEntries'
export { putBack, saveRecord, saveRecords, saveTogether } from './saveRecord'
