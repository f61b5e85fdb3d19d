export { type Attention, needsAttention } from './attention'
export * from './planning'
export * from './round'
export * from './schedule'
