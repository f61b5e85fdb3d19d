import { type ByRung, stockByRung } from '#core/lines'
import type { Colony } from '#core/records'
import type { LineOf } from './useLines'

/** How the grown animals of a colony stand on the rungs of its line: one reckoning for trays, Surplus and families. */
export function useColonyRungs() {
  const { mainOf } = useLadders()
  const statements = useStatementsStore()
  const { coreOf } = useBreeding()
  /** @returns null where nothing was graded, or the colony is not told yet */
  function byRung({ line, told, entries }: LineOf, colony: Colony): ByRung | null {
    const ladder = mainOf(line)
    const graded = told?.generations.findLast(g => g.meanRung !== null)
    const stages = statements.of(colony.id)?.population.stages
    if (!ladder || !graded || !stages) return null
    return stockByRung({
      ...{ ladder, colonyId: colony.id, gradings: graded.gradings, entries, breeding: coreOf(colony) },
      grown: { females: stages.females.value, males: stages.males.value },
    })
  }
  return { byRung }
}
