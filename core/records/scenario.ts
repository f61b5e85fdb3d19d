import { z } from 'zod'
import { edited } from './editedFields'
import { Id } from './id'
import { Label } from './label'

/** Whom a take goes for. */
export const TakeKind = z.enum(['any', 'halfGrown', 'adults', 'females', 'males'])
export type TakeKind = z.infer<typeof TakeKind>

const take = z.strictObject({
  of: TakeKind,
  number: z.number().gt(0, 'must be above 0').max(10_000, 'must be 10 000 at most'),
})

/** What a scenario may ask for: temperatures in °C, and most litres of a second tank. */
export const scenarioLimits = { temperatureC: [2, 36], secondTankL: 2000 } as const
const [COLDEST, WARMEST] = scenarioLimits.temperatureC
const MOST_L = scenarioLimits.secondTankL

/** What is different in a scenario from things as they are; what is missing stays as it is. */
export const ScenarioChange = z.strictObject({
  temperatureC: z
    .number()
    .min(COLDEST, `must be ${COLDEST} °C or more`)
    .max(WARMEST, `must be ${WARMEST} °C at most`)
    .optional(),
  /** factor on the animals that the water carries: more food or surface, or less */
  roomFactor: z.number().min(0.2, 'must be a fifth or more').max(5, 'must be five times at most').optional(),
  /** litres of a second tank for the same colony */
  secondTankL: z.number().gt(0, 'must be above 0 L').max(MOST_L, `must be ${MOST_L} L at most`).optional(),
  /** small peaceful fish moved in, or out */
  fish: z.enum(['none', 'peaceful']).optional(),
  /** animals put in today */
  putIn: z.int().min(1, 'must be 1 or more').max(10_000, 'must be 10 000 at most').optional(),
  takeNow: take.optional(),
  weekly: take.optional(),
})
export type ScenarioChange = z.infer<typeof ScenarioChange>

/** A saved scenario of one colony. */
export const Scenario = z.strictObject({
  ...edited,
  colonyId: Id,
  name: Label,
  change: ScenarioChange,
})
export type Scenario = z.infer<typeof Scenario>
