export { Eaten, type EquipmentPart, equipmentParts } from './care'
export { Entry, type EntryKind, entryKinds, type EntryOf, type EntrySubject, namedIds, subjectOf } from './entry'
export { CountMethod } from './numbers'
export { Readings } from './water'
