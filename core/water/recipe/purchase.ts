import type { SaltId, Water } from '#core/records'
import { pureWater } from '../chemistry/ions'
import { readoutsOf } from '../chemistry/readouts'
import { doseOf, salts } from '../chemistry/salts'
import { type OnHand, planRecipe, type RecipeQuestion } from './plan'

/** What would make an unreachable goal reachable: one salt, or pure water. */
export type Purchase = { kind: 'salt'; salt: SaltId } | { kind: 'pureWater' }

/** Under this many µS/cm a source is as good as pure water: buying that would bring nothing new (from memory). */
const AS_GOOD_AS_PURE = 40
export const isAsGoodAsPure = (w: Water): boolean => readoutsOf(w).conductivityUsCm < AS_GOOD_AS_PURE

/**
 * The one purchase that would make a goal reachable, tried in the order in which keepers usually have the things at
 * hand.
 * @param q a question whose recipe does not reach its goals
 * @returns null when no single one does
 */
export function purchaseFor(q: RecipeQuestion): Purchase | null {
  const { chosenL: _, ...free } = q
  const reaches = (more: Partial<OnHand>) => {
    const answer = planRecipe({ ...free, ...more })
    return answer.ok && answer.recipe.reached
  }
  if (
    !q.sources.some(s => isAsGoodAsPure(s.water)) &&
    reaches({ sources: [...q.sources, { id: 'pureWater', water: { ...pureWater } }] })
  )
    return { kind: 'pureWater' }
  for (const salt of purchasable) {
    const dose = doseOf({ by: 'salt', salt })
    if (reaches({ shelf: [...q.shelf, { id: salt, dose }] })) return { kind: 'salt', salt }
  }
  return null
}

const purchasable: readonly SaltId[] = (
  [
    'calciumChlorideDihydrate',
    'magnesiumSulfateHeptahydrate',
    'sodiumBicarbonate',
    'potassiumBicarbonate',
    'calciumSulfateDihydrate',
    'magnesiumChlorideHexahydrate',
    'seaSalt',
  ] as const
).filter(s => salts[s].dissolving !== 'hardly')
