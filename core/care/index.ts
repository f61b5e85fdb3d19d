export { type Attention, drawnStates, needsAttention } from './attention'
export {
  type ColonyFacts,
  type EntryDoubt,
  type EntryDoubtKey,
  entryDoubt,
  namedFacts,
  neverKept,
  tooManyDead,
} from './entryDoubt'
export { type Crossing, crossingsInto, type Meeting, meetingOf, worstMeeting } from './meeting'
export { stillCuring } from './stillCuring'
export * from './planning'
export * from './round'
export * from './schedule'
