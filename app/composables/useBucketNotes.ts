import { readoutsOf, type RecipeKey, recipeKeys } from '#core/water'
import { valueName, valueNameInside, valueText } from '~/words/unitPrefs'
import { settlingText, smallerText } from '~/words/recipeAside'
import { dayText } from '~/words/when'
import type { RecipeCard } from './useRecipeCard'

/** A limit matters to a change that uses this share of it. */
const NEAR_LIMIT = 0.85

/** What must be said of a recipe before it is poured: which steps bound it, and how old its grounds are. */
export function useBucketNotes(card: RecipeCard, moved: () => readonly RecipeKey[]) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const stepText = (k: RecipeKey) => valueText(k, desk.shared.largestStepPerWeek[k]!.value, settings.units)
  const bounded = computed(() => recipeKeys.filter(k => desk.shared.largestStepPerWeek[k]))

  /** Limits that matter here: of what is moved, and those that this change comes near to. */
  const limits = computed(() => {
    const step = card.step.value
    if (!step || desk.filling) return []
    const [before, after] = [readoutsOf(step.before), readoutsOf(step.after)]
    const share = NEAR_LIMIT * Math.min(1, desk.everyDays / 7)
    const near = (k: RecipeKey) => Math.abs(after[k] - before[k]) > share * desk.shared.largestStepPerWeek[k]!.value
    return bounded.value.filter(k => moved().includes(k) || near(k)).map(k => `${stepText(k)} ${valueNameInside(k)}`)
  })
  /** The largest steps of these animals, all of them: for a recipe that was refused. */
  const largestSteps = computed(() =>
    bounded.value
      .filter(k => desk.shared.targets[k])
      .map(k => `${valueName(k)} ${stepText(k)}`)
      .join(', '),
  )
  /** What the recipe starts from, and since when that is known. */
  const tests = computed(() =>
    recipeKeys
      .flatMap(k => {
        const last = desk.story.readings.get(k)?.at(-1)
        if (!last) return []
        const reckoned = last.method === 'reckoned'
        return [`${valueName(k)} ${reckoned ? 'reckoned from what was poured' : dayText(last.at, desk.nowMs)}`]
      })
      .join(', '),
  )

  const smaller = computed(() => {
    if (!desk.recipe) return ''
    const { bucketL, netL, nextChangeMs, nowMs } = desk
    const size = { askedL: bucketL, netL, startMs: nextChangeMs, nowMs, units: settings.units }
    return smallerText(desk.recipe, size)
  })
  /** The pH that follows; active soil makes one of its own. */
  const settles = computed(() => {
    const after = desk.recipe?.steps.at(-1)?.after
    return after && !desk.glass?.soilSince ? settlingText(after, desk.shared.targets, card.temperatureC.value) : ''
  })

  return reactive({ limits, largestSteps, tests, smaller, settles })
}
