import { z } from 'zod'
import { edited } from './editedFields'
import { Id } from './id'

/** One picture of the practice tank that was counted: how many of how many were found. */
export const Practice = z.strictObject({
  ...edited,
  roomId: Id,
  keeper: z.string().max(8).optional(),
  /** animals in the picture, and how crowded it was: animals on a square decimetre */
  shown: z.int().min(1),
  density: z.number().gt(0),
  stage: z.enum(['grown', 'halfGrown', 'young']),
  found: z.int().min(0),
  /** marks where no animal was */
  strays: z.int().min(0),
})
export type Practice = z.infer<typeof Practice>
