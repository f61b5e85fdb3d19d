export { doing, type Doing } from './doing'
export { roundProgress, type RoundProgress } from './progress'
export { roundSums, type RoundSums, type Snapshot, snapshotOf, type StatementChange, statementChanges } from './report'
export { plausibility, type Plausibility, tooManyDead } from './surprising'
