import { defineStore } from 'pinia'
import { type FeedingSchoolId, isSchoolId, resolveGroup, sharedTargets } from '#core/groups'
import { planGroups } from '#core/care'
import { type Colony, currentEntries, type Entry, isMineral, netLitres, usualBench } from '#core/records'
import {
  changeCalendar,
  correctionGoals,
  correctionsUnderway,
  doseOf,
  fillGoals,
  fillQuestion,
  learnHabits,
  type OnHand,
  planRecipe,
  purchaseFor,
  pureWater,
  type Readouts,
  readoutsOf,
  type RecipeKey,
  recipeKeys,
  type RecipeMode,
  type RecipeQuestion,
  sourceWater,
  stockLeft,
  usualHabits,
  usualMode,
  waterStory,
} from '#core/water'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'

/** How a colony is fed: as its keeper chose, or as its group's keepers mostly do. */
function feedingSchoolsOf(colony: Colony): FeedingSchoolId[] {
  const chosen = colony.schools.feeding ?? resolveGroup(colony).group.schools.feeding?.[0]?.id
  return isSchoolId('feeding', chosen) ? [chosen] : []
}

/** Changes of a school that only tops up, while a correction runs: small and weekly (common practice). */
const QUIET_CHANGE = { share: 0.1, everyDays: 7 }

/** The water of one glass at the bench: what is in it, what there is to make water from, and the recipe. */
export const useWaterDeskStore = defineStore('waterDesk', () => {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const glassId = ref('')
  const glass = computed(() => room.glassById.get(glassId.value) ?? null)
  const colonies = computed(() => room.coloniesByGlass.get(glassId.value) ?? [])
  const plan = computed(() => room.plans.find(p => p.glassId === glassId.value) ?? null)
  const bench = computed(() => room.room?.bench ?? usualBench)
  const netL = computed(() => (glass.value ? netLitres(glass.value) : 0))

  const { value: entries, ready } = useLiveQuery<Entry[]>(
    () => entriesOf(openDb(), glassId.value),
    [],
    () => glassId.value,
  )
  const standing = computed(() => currentEntries(entries.value))
  // the shared clock ticks by the minute: what was logged since the last tick has happened too
  const nowMs = computed(() => (standing.value, Math.max(statements.now.getTime(), Date.now())))
  const story = computed(() => waterStory(standing.value, Math.max(netL.value, 0.1), nowMs.value))
  const habits = computed(() => learnHabits(story.value, nowMs.value))

  /** groups of the colonies in the glass, or of the plan behind it */
  const groups = computed(() =>
    colonies.value.length > 0 ? colonies.value.map(resolveGroup) : plan.value ? planGroups(plan.value) : [],
  )
  const shared = computed(() => sharedTargets(groups.value))
  const school = computed(() => groups.value.find(g => g.change)?.change ?? null)

  const sources = computed(() => room.sources.map(source => ({ source, known: sourceWater(source) })))
  const usable = computed(() =>
    sources.value.flatMap(({ source, known }) => (known ? [{ source, water: known.water }] : [])),
  )
  const pours = useShelfPours()
  const shelf = computed(() =>
    room.shelf
      .filter(isMineral)
      .map(item => ({ item, dose: doseOf(item.content), left: stockLeft(item, pours.value) })),
  )

  // what the keeper chose for this glass; forgotten when another one is opened
  const changeL = ref<number | null>(null)
  const mode = ref<RecipeMode | null>(null)
  const chosen = ref<Record<string, number> | null>(null)
  const refilling = ref(false)
  watch(glassId, () => {
    changeL.value = null
    mode.value = null
    chosen.value = null
    refilling.value = false
  })

  /** nothing in it yet; a glass in which animals live is asked to be tested, not filled */
  const empty = computed(
    () => ready.value && story.value.present === null && story.value.readings.size === 0 && colonies.value.length === 0,
  )
  const filling = computed(() => empty.value || refilling.value)
  /** conductivity leads where the group aims at one and a mineral mix stands on the shelf */
  const canLead = computed(
    () => shared.value.targets.conductivityUsCm !== undefined && room.shelf.some(s => s.content.by === 'mix'),
  )
  const leading = computed<RecipeMode>(() =>
    canLead.value ? (mode.value ?? usualMode(shared.value.targets, true)) : 'minerals',
  )
  const everyDays = computed(() => (filling.value ? 1 : (school.value?.everyDays ?? QUIET_CHANGE.everyDays)))
  const usualChangeL = computed(() =>
    Math.max(0.1, Math.round(netL.value * (school.value?.share ?? QUIET_CHANGE.share) * 10) / 10),
  )
  const bucketL = computed(() =>
    filling.value ? netL.value : Math.min(netL.value, changeL.value ?? usualChangeL.value),
  )
  /** values that the recipe needs and nobody has read yet */
  const unread = computed<RecipeKey[]>(() =>
    filling.value
      ? []
      : (['ghDh', 'khDh', 'salinityGKg'] as const).filter(k => shared.value.targets[k] && !story.value.readings.has(k)),
  )
  const present = computed(() => story.value.present ?? { ...pureWater })
  const now = computed<Readouts>(() => readoutsOf(present.value))
  const calendar = computed(() => changeCalendar(story.value, netL.value, everyDays.value, nowMs.value))
  const lastChangeMs = computed(() => calendar.value.lastMs)
  const nextChangeMs = computed(() => (filling.value ? nowMs.value : calendar.value.nextMs))
  const early = computed(() => !filling.value && calendar.value.early)

  const onHand = computed<OnHand>(() => ({
    sources: usable.value.map(u => ({ id: u.source.id, water: u.water })),
    shelf: shelf.value.map(b => ({ id: b.item.id, dose: b.dose, ...(b.left !== undefined && { stockG: b.left }) })),
    bench: bench.value,
  }))
  const question = computed<RecipeQuestion | null>(() => {
    if (
      !glass.value ||
      groups.value.length === 0 ||
      unread.value.length > 0 ||
      usable.value.length === 0 ||
      !(bucketL.value > 0)
    )
      return null
    const { targets, largestStepPerWeek } = shared.value
    if (filling.value) return fillQuestion(onHand.value, netL.value, fillGoals(targets, leading.value))
    const steps: RecipeQuestion['largestStepPerWeek'] = {}
    for (const key of recipeKeys) if (largestStepPerWeek[key]) steps[key] = largestStepPerWeek[key].value
    return {
      ...onHand.value,
      tank: present.value,
      netL: netL.value,
      changeL: bucketL.value,
      everyDays: everyDays.value,
      goals: correctionGoals(now.value, targets, leading.value, correctionsUnderway(story.value, targets, nowMs.value)),
      largestStepPerWeek: steps,
      ...(chosen.value && { chosenL: usable.value.map(u => chosen.value![u.source.id] ?? 0) }),
    }
  })
  const answer = computed(() => (question.value ? planRecipe(question.value) : null))
  const recipe = computed(() => (answer.value?.ok ? answer.value.recipe : null))
  /** whether something has to be bought, and the one thing that would do */
  const lacking = computed(
    () =>
      !chosen.value &&
      answer.value !== null &&
      (answer.value.ok ? !answer.value.recipe.reached : answer.value.issue !== 'noSource'),
  )
  const purchase = computed(() => (question.value && lacking.value ? purchaseFor(question.value) : null))

  /** What goes on in this glass from today, for the forecast. */
  const boxHabits = computed(() =>
    usualHabits({
      story: story.value,
      learnt: habits.value,
      netL: netL.value,
      glass: glass.value,
      pure: usable.value.find(u => u.source.kind === 'pure')?.water ?? null,
      nowMs: nowMs.value,
      feedingSchools: colonies.value.flatMap(feedingSchoolsOf),
    }),
  )
  return {
    glassId,
    glass,
    colonies,
    plan,
    bench,
    netL,
    entries,
    standing,
    ready,
    story,
    habits,
    groups,
    shared,
    school,
    sources,
    usable,
    shelf,
    changeL,
    mode,
    chosen,
    refilling,
    empty,
    filling,
    canLead,
    leading,
    everyDays,
    usualChangeL,
    bucketL,
    unread,
    onHand,
    present,
    now,
    nowMs,
    lastChangeMs,
    nextChangeMs,
    early,
    question,
    answer,
    recipe,
    lacking,
    purchase,
    boxHabits,
  }
})
