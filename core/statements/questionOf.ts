import { habitatLitres, resolveGroup } from '#core/groups'
import { type Colony, type Entry, type Glass, headsTotal, momentMs } from '#core/records'
import type { PopulationEvent, PopulationQuestion } from '#core/population'

/**
 * Turns a colony's standing entries into the question that a population model answers.
 * @param entries standing entries of the colony, in order of time
 * @param nowMs today
 */
export function questionOf(colony: Colony, glass: Pick<Glass, 'grossL' | 'fill'>, entries: readonly Entry[], nowMs: number): PopulationQuestion {
  const group = resolveGroup(colony)
  const events: PopulationEvent[] = []
  for (const entry of entries) {
    const at = momentMs(entry.at)
    if (entry.kind === 'count') events.push({ kind: 'count', entryId: entry.id, at, number: entry.number, method: entry.method, ...(entry.share !== undefined && { share: entry.share }) })
    else if (entry.kind === 'addition') events.push({ kind: 'step', entryId: entry.id, at, change: entry.number, death: false })
    else if (entry.kind === 'removal') events.push({ kind: 'step', entryId: entry.id, at, change: -entry.number, death: false })
    else if (entry.kind === 'move') events.push({ kind: 'step', entryId: entry.id, at, change: entry.colonyId === colony.id ? -entry.number : entry.number, death: false })
    // a clutch brings a hundred at once, which no growth per week foresees; young from an incubator are added when they are put in
    else if (entry.kind === 'clutch' && entry.event === 'hatched' && entry.place === 'inPlace' && entry.young) events.push({ kind: 'step', entryId: entry.id, at, change: entry.young, death: false })
    else if (entry.kind === 'death') events.push({ kind: 'step', entryId: entry.id, at, change: -entry.number, death: true })
  }
  return {
    startMs: momentMs(colony.startedAt),
    founders: headsTotal(colony.founders),
    events,
    nowMs,
    growthPrior: group.growthPerWeek,
    turnoverPerWeek: group.turnoverPerWeek.value,
    capacity: Math.max(1, group.capacityPerL.value * habitatLitres(group.group, glass)),
    counting: group.counting,
    minimumKeep: group.minimumKeep.value,
  }
}
