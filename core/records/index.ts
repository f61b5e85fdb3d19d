export { carried, type Direction, onShelf, placeAt, walkOrder } from './arrange'
export { Colony, Heads, headsTotal, TargetOverride } from './colony'
export { byTime, currentEntries, readLog, type ReadLog } from './currentEntries'
export {
  CountMethod,
  Eaten,
  Entry,
  type EntryKind,
  type EntryOf,
  type EquipmentPart,
  equipmentParts,
  FoodKind,
  Readings,
  subjectOf,
} from './entry'
export { Basis, type Estimate } from './estimate'
export { DAY_MS, Id, Moment, momentMs, toMoment, WEEK_MS } from './id'
export { Label } from './label'
export { Bench, Calibration, usualBench } from './bench'
export { Photo, PHOTO_EDGE_PX, PHOTO_MOST_BYTES } from './photo'
export { Plan, PlanStepId, planStepIds } from './plan'
export { type Contents, Fill, Glass, netLitres, Rack, Room, RoomCare, ShelfPlace, SubstrateKind } from './room'
export { Order } from './order'
export { Practice } from './practice'
export { Scenario, ScenarioChange, TakeKind } from './scenario'
export { possibleRange, TestMethod, ValueKey, valueKeys } from './valueKey'
export { type Evidence, type Message, stateRank, type Verdict, type VerdictState, worstState } from './verdict'
export {
  Analysis,
  AnalysisKey,
  analysisKeys,
  possibleAnalysis,
  SaltId,
  saltIds,
  ShelfContent,
  ShelfItem,
  Source,
  SourceKind,
  Water,
} from './water'
