import { lengthsOf, type WatchedLength } from '#core/broods'
import { resolveGroup } from '#core/groups'
import { currentEntries, momentMs } from '#core/records'
import type { StatementInput, TaughtBy } from './colonyStatements'

/**
 * Lengths of a colony's broods that were watched to their end, for the keeper's other colonies of the group. The water
 * is read as it was tested, without its story: a tenth of a degree is nothing here.
 */
function broodLengths({ colony, colonyEntries, glassEntries, nowMs }: StatementInput): WatchedLength[] {
  const resolved = resolveGroup(colony)
  if (!resolved.group.care.brood || resolved.batch) return []
  const temperatures = currentEntries(glassEntries).flatMap(e => {
    const celsius = e.kind === 'waterTest' ? e.readings.temperatureC?.value : undefined
    return celsius === undefined ? [] : [{ at: momentMs(e.at), value: celsius }]
  })
  return lengthsOf({ resolved, entries: currentEntries(colonyEntries), temperatures, nowMs })
}

/**
 * What broods have taught of the keeper's pace holds for all colonies of their group: those that are told together
 * learn of each other, and of the others as they were told before.
 * @param inputs colonies that are told together
 */
export function teachEachOther(inputs: readonly StatementInput[]): StatementInput[] {
  const learnt = inputs.map(input => ({
    group: input.colony.groupId,
    id: input.colony.id,
    lengths: broodLengths(input),
  }))
  const ids = new Set(learnt.map(l => l.id))
  return inputs.map(input => {
    const { id, groupId } = input.colony
    const beside = (input.taughtBy ?? []).filter(t => !ids.has(t.colonyId))
    const together = learnt.filter(l => l.group === groupId && l.id !== id)
    const taughtBy: TaughtBy[] = [...beside, ...together.map(l => ({ colonyId: l.id, lengths: l.lengths }))]
    return { ...input, taughtBy }
  })
}
