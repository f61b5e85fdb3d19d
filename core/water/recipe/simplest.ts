import type { Water } from '#core/records'
import { caMgByMass, ghOf, RATIO_BAND } from '../chemistry/hardness'
import { readoutsOf, recipeKeys } from '../chemistry/readouts'
import type { Dose } from '../chemistry/salts'
import { missing } from './goals'
import { planRecipe, type RecipeAnswer, type RecipeQuestion, type WaterRecipe } from './plan'
import { importance } from './weights'

/** A recipe with fewer things may miss all ranges together by so much more, weighed as the solver does: under a kit. */
const AS_GOOD = 0.05
/** What one calcium to magnesium outside the band counts for: as much as a degree of GH (from memory). */
const RATIO_OUTSIDE = 1
/** Under this hardness nobody asks for its calcium to magnesium, °dH. */
const HARDLY_HARD = 0.5

/**
 * The recipe that a keeper would make: of all that reach the preferred ranges as well as everything at hand together
 * could, the one with the fewest things to weigh, mixes before single salts, then with the fewest waters; weighed to
 * masses that are quickly measured. What is right already needs nothing, as long as going on with the same water keeps
 * it so.
 * @param q as for `planRecipe`; goals say where each value may lie (`within`)
 * @throws RangeError as `planRecipe` does
 */
export function simplestRecipe(q: RecipeQuestion): RecipeAnswer {
  const question: RecipeQuestion = { ...q, bench: { ...q.bench, roughly: true } }
  const full = planRecipe(question)
  if (!full.ok) return full
  const least = { off: offOf(question, full.recipe) + AS_GOOD, steps: full.recipe.steps.length }
  /** the recipe with these alone, null where it is worse than with everything */
  const tried = (only: Partial<RecipeQuestion>): WaterRecipe | null => {
    const answer = planRecipe({ ...question, ...only })
    if (!answer.ok) return null
    const { recipe } = answer
    if (recipe.steps.length > least.steps || (full.recipe.reached && !recipe.reached)) return null
    return offOf(question, recipe) <= least.off ? recipe : null
  }
  const shelf = fewestDoses(question, shelf => tried({ shelf }))
  return { ok: true, recipe: fewestSources({ ...question, shelf }, tried) ?? tried({ shelf }) ?? full.recipe }
}

type Boxes = RecipeQuestion['shelf']

/** The fewest boxes: none, one, or what stays when those that are not needed were put back one after the other. */
function fewestDoses({ shelf }: RecipeQuestion, recipeWith: (shelf: Boxes) => WaterRecipe | null): Boxes {
  if (recipeWith([])) return []
  const byLiking = [...shelf].sort((a, b) => dislike(a.dose) - dislike(b.dose))
  const one = byLiking.find(box => recipeWith([box]))
  if (one) return [one]
  let kept = shelf
  for (const box of byLiking.toReversed()) {
    const without = kept.filter(other => other !== box)
    if (recipeWith(without)) kept = without
  }
  return kept
}

/** How gladly a box is left out: mixes hold all of a water, single salts a side; potassium comes last (from memory). */
function dislike({ perGramL: w }: Dose): number {
  const sides = [w.caMmolL > 0, w.mgMmolL > 0, w.alkalinityMeqL > 0].filter(Boolean).length
  return -sides + (w.kMmolL > 0 ? 0.5 : 0)
}

/**
 * The same with as few waters as do: those that stand last on the keeper's list are left out first. A blend that the
 * keeper chose stays.
 */
function fewestSources(
  question: RecipeQuestion,
  tried: (only: Partial<RecipeQuestion>) => WaterRecipe | null,
): WaterRecipe | null {
  const { shelf, chosenL } = question
  let best = tried({ shelf })
  if (chosenL || !best) return best
  let sources = question.sources
  for (const source of question.sources.toReversed()) {
    const without = sources.filter(s => s !== source)
    const simpler = without.length > 0 ? tried({ shelf, sources: without }) : null
    if (simpler) [best, sources] = [simpler, without]
  }
  return best
}

/**
 * How far a recipe stays off in all: values at its end outside where they may lie, what is held now but would leave if
 * the same water were poured for ever, and calcium to magnesium out of its band.
 */
function offOf({ tank, goals }: RecipeQuestion, { steps }: WaterRecipe): number {
  const { after, bucket } = steps.at(-1)!
  const [before, end, poured] = [tank, after, bucket].map(readoutsOf) as [Values, Values, Values]
  let off = 0
  for (const key of recipeKeys) {
    const goal = goals[key]
    if (!goal) continue
    const [low, high] = goal.within ?? [goal.low, goal.high]
    const out = (values: Values) => Math.abs(missing({ low, high }, values[key]))
    off += importance[key] * (out(end) + (out(before) === 0 ? out(poured) : 0))
  }
  return off + (goals.salinityGKg ? 0 : RATIO_OUTSIDE * ratioOut(after, goals.caMgByMass))
}
type Values = ReturnType<typeof readoutsOf>

/** A ratio that a keeper asked for is met so nearly (from memory). */
const RATIO_MET = 1.25

/** How many times calcium to magnesium lies outside its band, as a logarithm; 0 inside and in soft water. */
function ratioOut(w: Water, asked: number | undefined): number {
  if (ghOf(w) < HARDLY_HARD) return 0
  const [low, high] = asked === undefined ? RATIO_BAND : [asked / RATIO_MET, asked * RATIO_MET]
  const ratio = Math.min(1e3, Math.max(1e-3, caMgByMass(w)))
  return Math.max(0, Math.log(low / ratio), Math.log(ratio / high))
}
