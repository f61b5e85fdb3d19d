import type { Targets } from '#core/groups'
import type { MineralContent, SaltId } from '#core/records'
import { pureWater } from '../chemistry/ions'
import { doseOf } from '../chemistry/salts'
import { fillGoals, usualMode } from './goals'
import { fillQuestion, type OnHand, type RecipeAnswer, type WaterRecipe } from './plan'
import { simplestRecipe } from './simplest'

/**
 * What a typical mineral mix for soft water raises: a gram in ten litres GH by 3.3 and conductivity by 126 µS/cm (from
 * memory). The label of the one that is bought says more.
 */
const TYPICAL_MIX: MineralContent = {
  by: 'mix',
  ghDh: 33,
  khDh: 0,
  conductivityUsCm: 1260,
  caMgByMass: 3,
}

/** Things that a fill may ask to be bought, as ids of sources and boxes. */
const TO_BUY = 'buy:'
const PURE = `${TO_BUY}pure`
const MIX = `${TO_BUY}mix`
const BUYABLE: readonly SaltId[] = ['calciumChlorideDihydrate', 'magnesiumSulfateHeptahydrate', 'sodiumBicarbonate']

/** Something to buy for a fill: pure water in litres, a mix or a salt in grams. */
export type Bought =
  { kind: 'pure'; litres: number } | { kind: 'mix'; grams: number } | { kind: 'salt'; salt: SaltId; grams: number }

/** What a first fill is asked of. */
export interface FillWish {
  /** sources and boxes; none is fine */
  onHand: OnHand
  /** litres of water, above 0 */
  netL: number
  targets: Targets
  /** calcium to magnesium by mass that the keeper wants */
  caMgByMass?: number | undefined
}

/** Salt water, and that of a mineral mix, are made from pure water; all other begins with the tap. */
export const needsTap = (targets: Targets): boolean =>
  targets.salinityGKg === undefined && targets.conductivityUsCm?.aim === undefined

/** A first fill, and what has to be bought for it. */
export interface FillToBuy {
  answer: RecipeAnswer
  toBuy: Bought[]
}

/**
 * The first fill of a glass from what is at hand and, where that does not do, from what can be bought with the least
 * trouble: salts first, then pure water, then both. Sea salt where the animals want salt water.
 * @throws RangeError as `planRecipe` does
 */
export function fillToBuy({ onHand, netL, targets, caMgByMass }: FillWish): FillToBuy {
  const salty = targets.salinityGKg !== undefined
  const led = targets.conductivityUsCm?.aim !== undefined
  const salts = (salty ? (['seaSalt'] as const) : BUYABLE).map(salt => ({
    id: `${TO_BUY}${salt}`,
    dose: doseOf({ by: 'salt', salt }),
  }))
  const boxes = led ? [{ id: MIX, dose: doseOf(TYPICAL_MIX) }] : salts
  const pure = [{ id: PURE, water: { ...pureWater } }]
  const { sources, shelf } = onHand
  const tries: Pick<OnHand, 'sources' | 'shelf'>[] = [
    { sources, shelf },
    { sources, shelf: [...shelf, ...boxes] },
    { sources: [...sources, ...pure], shelf },
    { sources: [...sources, ...pure], shelf: [...shelf, ...boxes] },
  ]
  let answer: RecipeAnswer = { ok: false, issue: 'noSource' }
  for (const things of tries) {
    if (things.sources.length === 0) continue
    const goals = { ...fillGoals(targets, usualMode(targets, led)), ...(caMgByMass !== undefined && { caMgByMass }) }
    answer = simplestRecipe(fillQuestion({ ...onHand, ...things }, netL, goals))
    if (answer.ok && answer.recipe.reached) break
  }
  return { answer, toBuy: answer.ok ? boughtFor(answer.recipe) : [] }
}

function boughtFor({ steps }: WaterRecipe): Bought[] {
  const { pours, weighs } = steps[0]!
  return [
    ...pours.flatMap((p): Bought[] => (p.id === PURE ? [{ kind: 'pure', litres: p.litres }] : [])),
    ...weighs.flatMap(({ id, measured: { grams } }): Bought[] => {
      if (!id.startsWith(TO_BUY)) return []
      return [id === MIX ? { kind: 'mix', grams } : { kind: 'salt', salt: id.slice(TO_BUY.length) as SaltId, grams }]
    }),
  ]
}
