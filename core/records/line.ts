import { z } from 'zod'
import { edited } from './editedFields'
import { Id } from './id'
import { Label } from './label'

/** Traits that anybody grades a line by. */
export const LADDERS_MOST = 8

/** A line: what colonies of several glasses share when they are bred as one. */
export const Line = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  /** species group of its colonies; lines of different groups never join */
  groupId: z.string().min(1).max(40),
  /** lines of one crossing group mix when they share a glass, and fall back: as a rule all of one species group */
  crossingGroup: z.string().trim().min(1, 'must not be empty').max(40, 'must have 40 letters at most'),
  /** what it is bred for, in the keeper's words */
  goal: z.string().trim().max(200, 'must have 200 letters at most').optional(),
  /** what its animals are graded by, the main one first */
  ladderIds: z.array(Id).max(LADDERS_MOST, 'takes eight ladders at most'),
  /** the colony of it in which nobody chooses who breeds: what food and warmth do to all of them shows there */
  spareColonyId: Id.optional(),
  /** inbreeding that the keeper does not want to pass; a quarter, that of full sibs' young, when missing */
  kinshipLimit: z.number().min(0.02, 'must be 2 % or more').max(0.5, 'must be 50 % at most').optional(),
})
export type Line = z.infer<typeof Line>

/** Inbreeding that young of brother and sister have: what a keeper who says nothing does not want to pass. */
export const USUAL_KINSHIP_LIMIT = 0.25
