export { carried, type Direction, onShelf, placeAt, walkOrder } from './arrange'
export { atticItem, AtticItem } from './attic'
export { Colony, ColonyForm, Heads, headsTotal, TargetOverride } from './colony'
export { byTime, currentEntries, readLog, type ReadLog } from './currentEntries'
export { begun, type Edited, edited, Ending, EndingReason, endingReasons, inUse, nextRev, Rev } from './edited'
export {
  CountMethod,
  Eaten,
  Entry,
  type EntryKind,
  entryKinds,
  type EntryOf,
  type EntrySubject,
  type EquipmentPart,
  equipmentParts,
  namedIds,
  Readings,
  subjectOf,
} from './entry'
export { Basis, type Estimate } from './estimate'
export { DAY_MS, Id, Moment, momentMs, toMoment, WEEK_MS } from './id'
export { FoodKind, FoodUnit } from './food'
export { Label } from './label'
export {
  dayAfter,
  dayNumber,
  dayOf,
  endOfDay,
  hourOf,
  LocalDay,
  momentAt,
  momentOn,
  offsetMinutes,
  readDay,
  startOfDay,
  weekdayOf,
} from './localDay'
export { LABEL_MOST, MAX_LITRES, MIN_LITRES } from './limits'
export { Line } from './line'
export { type Clash, type Merged, mergeRecord } from './mergeRecord'
export { Bench, Calibration, usualBench } from './bench'
export { type EntryStamp, joinColony, partColony, type PartAsked } from './partColony'
export { Photo, PHOTO_EDGE_PX, PHOTO_MOST_BYTES } from './photo'
export { Plan, PlanStepId, planStepIds } from './plan'
export {
  type Contents,
  Fill,
  Glass,
  GlassKind,
  netLitres,
  Rack,
  Room,
  RoomCare,
  ShelfPlace,
  SubstrateKind,
} from './room'
export { Order } from './order'
export { Practice } from './practice'
export { Scenario, ScenarioChange, TakeKind } from './scenario'
export { type CheckedTable, type Registry, registry, schemas } from './schemas'
export { movedTo, presentGlassId, Stay, stayAt, Stays } from './stays'
export {
  type EditedTable,
  logKey,
  type Reference,
  type TableDefinition,
  type TableDefinitions,
  type TableName,
  tableNames,
  tables,
  type Tables,
} from './tables'
export { waterOf, watersOf, type WaterStay } from './waterOf'
export { possibleRange, TestMethod, ValueKey, valueKeys } from './valueKey'
export { type Evidence, type Message, stateRank, type Verdict, type VerdictState, worstState } from './verdict'
export {
  Analysis,
  AnalysisKey,
  analysisKeys,
  isMineral,
  type MineralContent,
  possibleAnalysis,
  SaltId,
  saltIds,
  ShelfContent,
  ShelfItem,
  Source,
  SourceKind,
  Water,
} from './water'
