import {
  correctionGoals,
  correctionsUnderway,
  exactGoals,
  fillGoals,
  fillQuestion,
  type Goals,
  recipeKeys,
  type RecipeWish,
} from '#core/water'
import type { BenchStock } from './useBenchStock'
import type { GlassWater } from './useGlassWater'
import type { NextChange } from './useNextChange'

/** What to weigh and pour for the next change, or what has to be bought before there is a way. */
export function useChangeRecipe(water: GlassWater, stock: BenchStock, change: NextChange) {
  const { usable, onHand } = stock
  const { filling, bucketL, chosen, leading, exactly } = change
  const { present, netL, now, story, nowMs } = water

  const askable = computed(
    () =>
      water.glass.value !== null &&
      water.groups.value.length > 0 &&
      change.unread.value.length === 0 &&
      usable.value.length > 0 &&
      bucketL.value > 0,
  )
  const asked = (): RecipeWish | null => {
    if (!askable.value) return null
    const { targets, largestStepPerWeek } = water.shared.value
    const wished = (goals: Goals) => stock.withRatio(exactly.value ? exactGoals(goals, targets) : goals)
    if (filling.value) {
      const goals = wished(fillGoals(targets, leading.value))
      return { ...fillQuestion(onHand.value, netL.value, goals), exactly: exactly.value }
    }
    const steps: RecipeWish['largestStepPerWeek'] = {}
    for (const key of recipeKeys) if (largestStepPerWeek[key]) steps[key] = largestStepPerWeek[key].value
    const underway = correctionsUnderway(story.value, targets, nowMs.value)
    return {
      ...onHand.value,
      tank: present.value,
      netL: netL.value,
      changeL: bucketL.value,
      everyDays: change.everyDays.value,
      goals: wished(correctionGoals(now.value, targets, leading.value, underway)),
      largestStepPerWeek: steps,
      exactly: exactly.value,
      ...(chosen.value && { chosenL: usable.value.map(u => chosen.value![u.source.id] ?? 0) }),
    }
  }
  return useRecipe(asked, () => water.glass.value?.id ?? '')
}
