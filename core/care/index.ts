export { type Attention, drawnStates, needsAttention } from './attention'
export {
  type ColonyFacts,
  type EntryDoubt,
  type EntryDoubtKey,
  entryDoubt,
  entryDoubts,
  tooManyDead,
} from './entryDoubt'
export * from './planning'
export * from './round'
export * from './schedule'
