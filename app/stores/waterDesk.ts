import { defineStore } from 'pinia'
import { type FeedingSchoolId, isSchoolId, resolveGroup } from '#core/groups'
import type { Colony } from '#core/records'
import { usualHabits } from '#core/water'

/** How a colony is fed: as its keeper chose, or as its group's keepers mostly do. */
function feedingSchoolsOf(colony: Colony): FeedingSchoolId[] {
  const chosen = colony.schools.feeding ?? resolveGroup(colony).group.schools.feeding?.[0]?.id
  return isSchoolId('feeding', chosen) ? [chosen] : []
}

/** The water of one glass at the bench: what is in it, what there is to make water from, and the recipe. */
export const useWaterDeskStore = defineStore('waterDesk', () => {
  const glassId = ref('')
  const water = useGlassWater(glassId)
  const stock = useBenchStock()
  const change = useNextChange(glassId, water)
  const recipe = useChangeRecipe(water, stock, change)

  /** What goes on in this glass from today, for the forecast. */
  const boxHabits = computed(() =>
    usualHabits({
      story: water.story.value,
      learnt: water.habits.value,
      netL: water.netL.value,
      glass: water.glass.value,
      pure: stock.usable.value.find(u => u.source.kind === 'pure')?.water ?? null,
      nowMs: water.nowMs.value,
      feedingSchools: water.colonies.value.flatMap(feedingSchoolsOf),
    }),
  )
  return { glassId, ...water, ...stock, ...change, ...recipe, boxHabits }
})
