import { planRecipe, type RecipeAnswer, type RecipeQuestion } from './plan'
import { type Purchase, purchaseFor } from './purchase'
import { simplestRecipe } from './simplest'

/** A recipe as a keeper asks for it. */
export interface RecipeWish extends RecipeQuestion {
  /** as near to the goals as everything at hand can come, instead of with the fewest things */
  exactly?: boolean
}

/** What can be made, and what would have to be bought where that does not reach the goals. */
export interface RecipeFinding {
  answer: RecipeAnswer
  /** whether something has to be bought; never of a blend that the keeper chose */
  lacking: boolean
  /** the one thing that would do; null when no single one does, or nothing lacks */
  purchase: Purchase | null
}

/**
 * Plans the changes, and looks for a purchase where they fall short.
 * @throws RangeError as `planRecipe` does
 */
export function findRecipe({ exactly = false, ...q }: RecipeWish): RecipeFinding {
  const answer = exactly ? planRecipe(q) : simplestRecipe(q)
  const lacking = !q.chosenL && (answer.ok ? !answer.recipe.reached : answer.issue !== 'noSource')
  return { answer, lacking, purchase: lacking ? purchaseFor(q) : null }
}
