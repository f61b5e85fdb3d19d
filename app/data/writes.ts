export { addEntries } from './addEntries'
export { putBack, saveRecord, saveRecords } from './saveRecord'
