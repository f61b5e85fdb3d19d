import { z } from 'zod'

/** Kinds of food; how long leftovers may lie and how much is given goes by them. */
export const FoodKind = z.enum(['pellet', 'powder', 'greens', 'protein'])
export type FoodKind = z.infer<typeof FoodKind>

/** What a named food is given in. */
export const FoodUnit = z.enum(['piece', 'pinch', 'gram'])
export type FoodUnit = z.infer<typeof FoodUnit>
