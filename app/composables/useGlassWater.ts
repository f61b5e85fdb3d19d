import { planGroups } from '#core/care'
import { resolveGroup, sharedTargets } from '#core/groups'
import { currentEntries, type Entry, netLitres } from '#core/records'
import { learnHabits, pureWater, type Readouts, readoutsOf, waterStory } from '#core/water'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'

/** The water of one glass as its log tells it, and what those who live in it want. */
export function useGlassWater(glassId: Ref<string>) {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const glass = computed(() => room.glassById.get(glassId.value) ?? null)
  const colonies = computed(() => room.coloniesByGlass.get(glassId.value) ?? [])
  const plan = computed(() => room.plans.find(p => p.glassId === glassId.value) ?? null)
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
  const present = computed(() => story.value.present ?? { ...pureWater })
  const now = computed<Readouts>(() => readoutsOf(present.value))

  /** groups of the colonies in the glass, or of the plan behind it */
  const groups = computed(() =>
    colonies.value.length > 0 ? colonies.value.map(resolveGroup) : plan.value ? planGroups(plan.value) : [],
  )
  const shared = computed(() => sharedTargets(groups.value))
  const school = computed(() => groups.value.find(g => g.change)?.change ?? null)
  return {
    glass,
    colonies,
    plan,
    netL,
    entries,
    ready,
    standing,
    nowMs,
    story,
    habits,
    present,
    now,
    groups,
    shared,
    school,
  }
}
export type GlassWater = ReturnType<typeof useGlassWater>
