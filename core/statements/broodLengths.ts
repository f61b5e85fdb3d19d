import { lengthsOf, type WatchedLength } from '#core/broods'
import { resolveGroup } from '#core/groups'
import { currentEntries, momentMs } from '#core/records'
import type { StatementInput } from './colonyStatements'

/**
 * Lengths of a colony's broods that were watched to their end, for the keeper's other colonies of the group. The water
 * is read as it was tested, without its story: a tenth of a degree is nothing here.
 */
export function broodLengths({ colony, colonyEntries, glassEntries, nowMs }: StatementInput): WatchedLength[] {
  const resolved = resolveGroup(colony)
  if (!resolved.group.care.brood || resolved.batch) return []
  const temperatures = currentEntries(glassEntries).flatMap(e => {
    const celsius = e.kind === 'waterTest' ? e.readings.temperatureC?.value : undefined
    return celsius === undefined ? [] : [{ at: momentMs(e.at), value: celsius }]
  })
  return lengthsOf({ resolved, entries: currentEntries(colonyEntries), temperatures, nowMs })
}
