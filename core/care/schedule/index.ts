export { CARE_LOG_DAYS } from './figures'
export {
  type ColonyCare,
  type DueItem,
  type DueKind,
  dueKinds,
  type DueReason,
  type GlassCare,
  type RoomCareInput,
} from './item'
export { byDay, type Due, dueState, type DueState, itemsOfGlass, schedule } from './schedule'
export { type CareDay, levelEffort } from './levelEffort'
export { type HolidayPlan, planHoliday, type StandInTask, type StandInVisit } from './holiday'
export { runningLow, type RunningLow } from './supplies'
export { forCalendar } from './forCalendar'
export { restedMs } from './rules/batches'
