export { Eaten, type EquipmentPart, equipmentParts, FoodKind } from './care'
export { Entry, type EntryKind, type EntryOf, subjectOf } from './entry'
export { CountMethod } from './numbers'
export { Readings } from './water'
