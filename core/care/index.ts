export { type Attention, drawnStates, needsAttention } from './attention'
export * from './planning'
export * from './round'
export * from './schedule'
