import { z } from 'zod'
import { edited } from './editedFields'
import { Id } from './id'
import { Label } from './label'

/** A line: what colonies of several glasses share when they are bred as one. */
export const Line = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  /** species group of its colonies; lines of different groups never join */
  groupId: z.string().min(1).max(40),
})
export type Line = z.infer<typeof Line>
