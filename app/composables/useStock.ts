import { type ByRung, graderOf, SOMEBODY, stackKey, type Standings, type Stock } from '#core/lines'
import { resolveGroup } from '#core/groups'
import { type Ladder, presentRungs } from '#core/records'
import type { LineOf } from './useLines'

/**
 * The grown animals of a line that could breed: the model's number, shared out over the rungs as they were graded last.
 */
export function useStock(of: () => LineOf, ladder: () => Ladder | null) {
  const statements = useStatementsStore()
  const rungs = computed(() => (ladder() ? presentRungs(ladder()!) : []))
  const last = computed(() => of().told?.generations.findLast(g => g.meanRung !== null))
  const grader = computed(() => (last.value?.gradings[0] ? graderOf(last.value.gradings[0]) : SOMEBODY))
  /** The colony that was graded last: its animals lie in the trays, and leave it when the breeders are set. */
  const colony = computed(() => {
    const graded = last.value?.gradings.at(-1)?.colonyId
    return of().colonies.find(c => c.id === graded) ?? of().colonies[0]
  })
  const oneSex = computed(() =>
    colony.value ? resolveGroup(colony.value).group.stages.femaleShare.value === 1 : false,
  )
  /** Its grown females and males, by the model. */
  const grown = computed(() => {
    const stages = colony.value && statements.of(colony.value.id)?.population.stages
    return { known: !!stages, females: stages?.females.value ?? 0, males: stages?.males.value ?? 0 }
  })
  const { byRung: reckon } = useColonyRungs()
  const byRung = computed<ByRung>(() => (colony.value && reckon(of(), colony.value)) ?? { females: [], males: [] })
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
  return { rungs, last, grader, colony, oneSex, grown, stock, stockOf }
}
