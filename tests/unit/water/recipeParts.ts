import fc from 'fast-check'
import { expect } from 'vitest'
import { groupOf } from '#core/groups'
import { type SaltId, usualBench, type Water } from '#core/records'
import {
  amountKeys,
  completeAnalysis,
  correctionGoals,
  doseOf,
  planRecipe,
  pureWater,
  type RecipeQuestion,
  type Readouts,
  readoutsOf,
} from '#core/water'

export const salt = (id: SaltId) => ({ id, dose: doseOf({ by: 'salt', salt: id }) })
export const tap = completeAnalysis({ ghDh: 13, khDh: 5.8, conductivityUsCm: 540 }).water
export const sources = [
  { id: 'pure', water: { ...pureWater } },
  { id: 'tap', water: tap },
]
export const shelf = [salt('calciumChlorideDihydrate'), salt('magnesiumSulfateHeptahydrate'), salt('sodiumBicarbonate')]
export const neocaridina = groupOf('neocaridina')
export const steps: Partial<Readouts> = { ghDh: 1.2, khDh: 0.8 }
export const tankOf = (ghDh: number, khDh: number) =>
  completeAnalysis({ ghDh, khDh, conductivityUsCm: 20 + 33 * Math.max(ghDh, khDh) }).water
export function question(ghDh: number, khDh: number, more: Partial<RecipeQuestion> = {}): RecipeQuestion {
  const tank = tankOf(ghDh, khDh)
  return {
    tank,
    netL: 52,
    changeL: 5.2,
    everyDays: 7,
    goals: correctionGoals(readoutsOf(tank), neocaridina.targets, 'minerals'),
    largestStepPerWeek: steps,
    sources,
    shelf,
    bench: usualBench,
    ...more,
  }
}
export function recipeOf(q: RecipeQuestion) {
  const answer = planRecipe(q)
  if (!answer.ok) throw new Error(answer.issue)
  return answer.recipe
}
/** Any water a keeper could have, any of the salts, any litres. */
export const anyWater = fc
  .record({ ghDh: fc.double({ min: 0, max: 25, noNaN: true }), khDh: fc.double({ min: 0, max: 18, noNaN: true }) })
  .map(({ ghDh, khDh }) => completeAnalysis({ ghDh, khDh }).water)
export const litres = fc.double({ min: 0.05, max: 400, noNaN: true })
/** mmol of everything in a volume, to compare before and after */
export const total = (w: Water, volumeL: number) => amountKeys.map(k => w[k] * volumeL)
export const close = (a: number[], b: number[]) =>
  a.forEach((v, i) => expect(Math.abs(v - b[i]!)).toBeLessThan(1e-9 * (1 + Math.abs(v))))
