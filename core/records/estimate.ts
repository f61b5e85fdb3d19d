import { z } from 'zod'

/** Where a figure comes from. Every default that reaches the screen carries one. */
export const Basis = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('published'), source: z.string().min(1) }),
  z.strictObject({ kind: z.literal('commonPractice') }),
  z.strictObject({ kind: z.literal('memory') }),
  z.strictObject({ kind: z.literal('keeper') }),
  /** computed from the keeper's own log */
  z.strictObject({ kind: z.literal('log') }),
])
export type Basis = z.infer<typeof Basis>

/** A number with its likely range. `level` is the chance that the range holds the truth, 0 to 1. */
export interface Estimate {
  value: number
  low: number
  high: number
  level: number
  basis: Basis
}
