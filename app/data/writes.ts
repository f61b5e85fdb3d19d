export { addEntries } from './addEntries'
export { saveRecord, saveRecords } from './saveRecord'
