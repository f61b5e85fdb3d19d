import type { RecipeWish } from '#core/water'

/**
 * A recipe that is solved beside the page whenever another question is asked.
 * @param asked what is asked, null while nothing can be
 * @param whose the glass that is asked for
 */
export function useRecipe(asked: () => RecipeWish | null, whose: () => string) {
  const { question, standing, solving, recipeWorker } = useAsked(asked, whose, (api, q) => api.findRecipe(q))
  const answer = computed(() => standing.value?.answer ?? null)
  const recipe = computed(() => (answer.value?.ok ? answer.value.recipe : null))
  const lacking = computed(() => standing.value?.lacking ?? false)
  const purchase = computed(() => standing.value?.purchase ?? null)
  return { question, answer, recipe, lacking, purchase, solving, recipeWorker }
}
