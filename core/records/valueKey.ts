import { z } from 'zod'
import { valueKeys } from './valueKeys'

/** One of the water values. */
export const ValueKey = z.enum(valueKeys)
export type ValueKey = z.infer<typeof ValueKey>

/** How a value was read; each method has its own doubt (see water/methodDoubt). */
export const TestMethod = z.enum(['liquidKit', 'strip', 'probe', 'guess'])
export type TestMethod = z.infer<typeof TestMethod>
