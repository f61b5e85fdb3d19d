import { type ByRung, graderOf, SOMEBODY, stackKey, type Standings, type Stock } from '#core/lines'
import { resolveGroup } from '#core/groups'
import { type Id, type Ladder, presentRungs } from '#core/records'
import type { LineOf } from './useLines'

/**
 * The grown animals of a line that could breed: the model's number, shared out over the rungs as they were graded last.
 */
export function useStock(of: () => LineOf, ladder: () => Ladder | null) {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const rungs = computed(() => (ladder() ? presentRungs(ladder()!) : []))
  const last = computed(() => of().told?.generations.findLast(g => g.meanRung !== null))
  const grader = computed(() => (last.value?.gradings[0] ? graderOf(last.value.gradings[0]) : SOMEBODY))
  const { byRung: reckon } = useColonyRungs()
  const drafts = computed(() =>
    room.breedingGroups.filter(
      b => b.lineId === of().line.id && b.state === 'draft' && b.generationId === last.value?.id,
    ),
  )
  /** The grown of each of its colonies by rung; those of which it is not known yet are left out. */
  const standing = computed<Record<Id, ByRung>>(() =>
    Object.fromEntries(
      of().colonies.flatMap(c => {
        const there = reckon(of(), c)
        return there ? [[c.id, there]] : []
      }),
    ),
  )
  /** Colonies of the line that have grown animals to choose from; in a spare glass nobody chooses. */
  const places = computed(() =>
    of().colonies.filter(({ id }) => {
      const there = standing.value[id]
      return id !== of().line.spareColonyId && !!there && [...there.females, ...there.males].some(n => n > 0)
    }),
  )
  const taken = ref<Id | null>(null)
  /**
   * The colony whose animals lie in the trays, and leave it when the breeders are set: the one that the keeper took, or
   * has a draft of, or else graded last.
   */
  const colony = computed(() => {
    const drafted = drafts.value.toSorted((a, b) => b.editedAt.localeCompare(a.editedAt))[0]?.colonyId
    const graded = last.value?.gradings.at(-1)?.colonyId
    const at = (id: Id | null | undefined) => of().colonies.find(c => c.id === id)
    return at(taken.value) ?? at(drafted) ?? at(graded) ?? of().colonies[0]
  })
  const takeFrom = (id: Id) => void (taken.value = id)
  const oneSex = computed(() =>
    colony.value ? resolveGroup(colony.value).group.stages.femaleShare.value === 1 : false,
  )
  /** Its grown females and males, by the model. */
  const grown = computed(() => {
    const stages = colony.value && statements.of(colony.value.id)?.population.stages
    return { known: !!stages, females: stages?.females.value ?? 0, males: stages?.males.value ?? 0 }
  })
  const byRung = computed<ByRung>(() => standing.value[colony.value?.id ?? ''] ?? { females: [], males: [] })
  const stock = computed<Standings>(() =>
    Object.fromEntries(
      rungs.value.flatMap((r, k) => [
        [stackKey(r.id, 'female'), byRung.value.females[k] ?? 0],
        [stackKey(r.id, 'male'), byRung.value.males[k] ?? 0],
      ]),
    ),
  )
  /** The same for the curve of choices; none for animals of which each is both sexes. */
  const stockOf = computed<Stock | null>(() =>
    last.value && !oneSex.value ? { groupId: last.value.id, grader: grader.value, ...byRung.value } : null,
  )
  return { rungs, last, grader, drafts, standing, places, colony, takeFrom, oneSex, grown, stock, stockOf }
}
