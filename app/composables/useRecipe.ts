import { dequal } from 'dequal'
import type { RecipeFinding, RecipeWish } from '#core/water'
import type { RecipesApi } from '~/workers/recipes.worker'

/**
 * A recipe that is solved beside the page whenever another question is asked. While that goes on the last one stands,
 * as long as it is for the same glass.
 * @param asked what is asked, null while nothing can be
 * @param whose the glass or plan that is asked for
 */
export function useRecipe(asked: () => RecipeWish | null, whose: () => string) {
  // the clock ticks by the minute and the log is read anew: solved is only what is asked otherwise than before
  const question = computed<RecipeWish | null>(before => {
    const now = asked()
    return before && dequal(before, now) ? before : now
  })
  const worker = useWorker<RecipesApi>(
    () => new Worker(new URL('../workers/recipes.worker.ts', import.meta.url), { type: 'module', name: 'recipes' }),
  )
  const found = shallowRef<(RecipeFinding & { question: RecipeWish; whose: string }) | null>(null)
  let underWay = false
  /** One at a time, and then what is asked by then: a slider asks faster than recipes are solved. */
  async function solve() {
    if (underWay) return
    underWay = true
    while (question.value && question.value !== found.value?.question) {
      const sent = { question: question.value, whose: whose() }
      const finding = await worker.run(api => api.findRecipe(sent.question))
      if (!finding) break
      found.value = { ...sent, ...finding }
    }
    underWay = false
  }
  watch(question, solve, { immediate: true })

  const standing = computed(() => (question.value && found.value?.whose === whose() ? found.value : null))
  const answer = computed(() => standing.value?.answer ?? null)
  const recipe = computed(() => (answer.value?.ok ? answer.value.recipe : null))
  const lacking = computed(() => standing.value?.lacking ?? false)
  const purchase = computed(() => standing.value?.purchase ?? null)
  /** whether what stands is not yet the answer to what is asked */
  const solving = computed(() => question.value !== null && found.value?.question !== question.value)
  const recipeWorker = reactive({ failed: toRef(worker, 'failed'), again: solve })
  return { question, answer, recipe, lacking, purchase, solving, recipeWorker }
}
