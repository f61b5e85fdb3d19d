import { paceAt, preferredC, type ResolvedGroup } from '#core/groups'
import { type Entry, type EntryOf, momentMs } from '#core/records'
import { type SampleTold, sampleTold } from '#core/shells'

/** What was measured and seen of a colony's shells and sizes. */
export interface SizesTold {
  /** samples, the oldest first */
  samples: (SampleTold & { entryId: string; at: number })[]
  /** the newest look at shells that said something of them */
  look: { at: number; growth: EntryOf<'shell'>['growth']; marks: EntryOf<'shell'>['marks'] } | null
}

/**
 * Sizes of a colony by its samples, each by the group's curve at the temperature of the water.
 * @param entries standing entries of the colony, by time
 * @returns null for animals that nobody measures
 */
export function sizesTold(
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>,
  entries: readonly Entry[],
  temperatureC: number,
): SizesTold | null {
  const { sizes, stages } = resolved.group
  if (!sizes) return null
  const pace = paceAt(stages.q10.value, temperatureC, preferredC(resolved))
  const looks = entries.filter((e): e is EntryOf<'shell'> => e.kind === 'shell')
  const look = looks.findLast(e => e.growth !== undefined || e.marks.length > 0)
  return {
    samples: looks.flatMap(e => {
      const told = e.sizesMm && sampleTold(resolved, e.sizesMm, pace)
      return told ? [{ ...told, entryId: e.id, at: momentMs(e.at) }] : []
    }),
    look: look ? { at: momentMs(look.at), growth: look.growth, marks: look.marks } : null,
  }
}
