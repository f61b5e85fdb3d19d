export { type Attention, drawnStates, needsAttention } from './attention'
export {
  type ColonyFacts,
  type EntryDoubt,
  type EntryDoubtKey,
  entryDoubt,
  namedFacts,
  tooManyDead,
} from './entryDoubt'
export { stillCuring } from './stillCuring'
export * from './planning'
export * from './round'
export * from './schedule'
