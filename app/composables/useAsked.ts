import type { Remote } from 'comlink'
import { dequal } from 'dequal'
import type { RecipesApi } from '~/workers/recipes.worker'

/**
 * Something that is reckoned beside the page whenever another question is asked. While that goes on the last answer
 * stands, as long as it is for the same glass or plan. One question at a time, and then what is asked by then: a slider
 * asks faster than it is answered.
 * @param asked what is asked, null while nothing can be; compared by value, so a tick of the clock asks nothing new
 * @param whose the glass or plan that is asked for
 * @param reckon what answers it
 */
export function useAsked<Question extends object, Answer>(
  asked: () => Question | null,
  whose: () => string,
  reckon: (api: Remote<RecipesApi>, question: Question) => Promise<Answer>,
) {
  const question = computed<Question | null>(before => {
    const now = asked()
    return before && dequal(before, now) ? before : now
  })
  const worker = useWorker<RecipesApi>(
    () => new Worker(new URL('../workers/recipes.worker.ts', import.meta.url), { type: 'module', name: 'recipes' }),
  )
  const found = shallowRef<{ answer: Answer; question: Question; whose: string } | null>(null)
  let underWay = false
  async function solve() {
    if (underWay) return
    underWay = true
    while (question.value && question.value !== found.value?.question) {
      const sent = { question: question.value, whose: whose() }
      const answer = await worker.run(api => reckon(api, sent.question))
      if (!answer) break
      found.value = { ...sent, answer }
    }
    underWay = false
  }
  watch(question, solve, { immediate: true })

  const standing = computed(() => (question.value && found.value?.whose === whose() ? found.value.answer : null))
  /** whether what stands is not yet the answer to what is asked */
  const solving = computed(() => question.value !== null && found.value?.question !== question.value)
  const recipeWorker = reactive({ failed: toRef(worker, 'failed'), again: solve })
  return { question, standing, solving, recipeWorker }
}
