export { compensateConductivity } from './compensateConductivity'
export { editText, formatNumber, formatQuantity } from './format'
export { type NumberHabits, type ParsedNumber, type ParsedQuantity, parseNumber, parseQuantity } from './parse'
export {
  alkalinity,
  conductivity,
  fromCanonical,
  hardness,
  length,
  mass,
  quantities,
  type Quantity,
  type QuantityId,
  temperature,
  toCanonical,
  type Unit,
  type UnitId,
  unitOf,
  volume,
} from './quantity'
