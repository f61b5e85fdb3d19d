import { z } from 'zod'
import { edited } from './editedFields'
import { Id, Moment } from './id'
import { Label } from './label'
import { planStepIds } from './planSteps'
import { Glass } from './room'

export const PlanStepId = z.enum(planStepIds)
export type PlanStepId = z.infer<typeof PlanStepId>

/** A colony that is being planned, or one whose plan became a glass and is still being carried out. */
export const Plan = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  /** one group, or two that are to live together */
  groupIds: z.array(z.string().min(1).max(40)).min(1).max(2),
  /** chosen options by kind of school, for the first group */
  schools: z.record(z.string(), z.string()),
  tank: z.strictObject({
    kind: Glass.shape.kind,
    grossL: Glass.shape.grossL,
    fillShare: z.number().gt(0).max(1),
    inside: Glass.shape.inside,
    substrate: Glass.shape.substrate,
    carbonateGL: z.number().min(0).max(100),
    filterRatedL: z.number().min(0).max(5000),
    cover: z.boolean(),
    intakeGuard: z.boolean(),
    lightHours: z.number().min(0).max(24),
    leaves: z.int().min(0).max(200),
  }),
  starters: z.array(z.int().min(0).max(10_000)).min(1).max(2),
  sourceId: Id.optional(),
  /** temperatures of the room in winter and in summer, °C, where the keeper told them */
  roomC: z.strictObject({ winter: z.number().min(-20).max(50), summer: z.number().min(-20).max(50) }).optional(),
  /** the day on which the tank is filled */
  startsAt: Moment,
  /** steps that are done, with their day */
  done: z.partialRecord(PlanStepId, Moment),
  /** growth that was seen while the tank was curing */
  seen: z.strictObject({ biofilm: z.boolean(), algae: z.boolean() }),
  /** set when the plan has become a glass */
  glassId: Id.optional(),
})
export type Plan = z.infer<typeof Plan>
