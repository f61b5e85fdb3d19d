export { type Attention, needsAttention } from './attention'
