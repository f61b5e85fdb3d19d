export { Animal, AnimalSex, Between } from './animal'
export { cations, eggForms, EggLot, eggOrigins, poolClasses } from './eggLot'
export { animalIdOf } from './animalId'
export { BreedingGroup, Generation, RungCount, RungCounts, rungsTotal, type TrayKind, trayKinds } from './breeding'
export { derivedId, sameName } from './derivedId'
export { carried, type Direction, onShelf, placeAt, walkOrder } from './arrange'
export { atticItem, AtticItem } from './attic'
export { Colony, ColonyForm, Heads, TargetOverride } from './colony'
export { headKeys, headsTotal } from './headsTotal'
export { byTime, currentEntries, readLog, type ReadLog } from './currentEntries'
export { begun, type Edited, inUse, nextRev } from './edited'
export { edited, Ending, EndingReason, Rev } from './editedFields'
export { endingReasons } from './endingReasons'
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
  animalsOf,
  namedIds,
  Readings,
  subjectOf,
  type ZoneKind,
  zoneKinds,
  greenness,
} from './entry'
export { Basis, type Estimate } from './estimate'
export { Id, madeMs, Moment } from './id'
export { DAY_MS, momentMs, toMoment, WEEK_MS } from './moments'
export { FoodKind, FoodUnit } from './food'
export { Label } from './label'
export { LocalDay } from './localDay'
export {
  dayAfter,
  dayNumber,
  dayOf,
  endOfDay,
  hourOf,
  momentAt,
  momentOn,
  offsetMinutes,
  readDay,
  startOfDay,
  weekdayOf,
} from './days'
export { LABEL_MOST, MAX_LITRES, MIN_LITRES } from './limits'
export { Ladder, presentRungs, Rung, RUNGS_LEAST, RUNGS_MOST, spanOf, wordRungId } from './ladder'
export { LADDERS_MOST, Line, USUAL_KINSHIP_LIMIT } from './line'
export { type Clash, type Merged, mergeRecord } from './mergeRecord'
export { Bench, Calibration } from './bench'
export { usualBench } from './usualBench'
export { type EntryStamp, joinColony, partColony, type PartAsked } from './partColony'
export { Photo } from './photo'
export { PHOTO_EDGE_PX, PHOTO_MOST_BYTES } from './limits'
export { Plan, PlanStepId } from './plan'
export { planStepIds } from './planSteps'
export { Fill, Glass, GlassKind, Rack, Room, RoomCare, ShelfPlace, SubstrateKind } from './room'
export { type Contents, netLitres } from './netLitres'
export { Order } from './order'
export { Practice } from './practice'
export { Scenario, ScenarioChange, scenarioLimits, TakeKind } from './scenario'
export { type CheckedTable, type Registry, registry, schemas } from './schemas'
export { Stay, Stays } from './stays'
export { movedTo, presentGlassId, stayAt } from './stayAt'
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
export { TestMethod, ValueKey } from './valueKey'
export { possibleRange, valueKeys } from './valueKeys'
export { type Evidence, type Message, stateRank, type Verdict, type VerdictState, worstState } from './verdict'
export {
  Analysis,
  AnalysisKey,
  type MineralContent,
  SaltId,
  ShelfContent,
  ShelfItem,
  Source,
  SourceKind,
  Water,
} from './water'
export { analysisKeys, possibleAnalysis } from './analysisKeys'
export { isMineral } from './isMineral'
export { saltIds } from './saltIds'
