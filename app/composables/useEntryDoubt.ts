import { type ColonyFacts, entryDoubt, namedFacts, stillCuring } from '#core/care'
import { resolveGroup } from '#core/groups'
import type { ValueVerdict } from '#core/water'
import { type Colony, type Entry, momentMs, presentGlassId } from '#core/records'
import { doubtText } from '~/words/entryDoubt'

const lastOf = (values: readonly ValueVerdict[]) => values.find(v => v.key === 'salinityGKg')?.latest?.value

/**
 * Asks once about an entry that can hardly be: a second save of the same keeps it.
 * @returns the question, empty where nothing is odd or where it was asked already
 */
export function useEntryDoubt() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const care = useCareStore()
  const followed = useAnimalsStore()
  let asked = ''

  function factsOf(colony: Colony): ColonyFacts {
    const told = statements.of(colony.id)
    // a first look is too rough to doubt anybody by
    const { now, stages } = told && !told.population.firstLook ? told.population : {}
    const glassId = presentGlassId(colony)
    const plan = room.plans.find(p => p.glassId === glassId)
    return {
      group: resolveGroup(colony),
      most: now ? { all: now.high, females: Math.min(now.high, stages?.females.high ?? now.high) } : null,
      values: told?.water.values ?? [],
      larvaeSaltGKg: told?.batch?.kind === 'larvae' ? (lastOf(told.water.values) ?? 0) : null,
      curing: plan !== undefined && stillCuring(plan, care.entriesOf(glassId), care.nowMs),
    }
  }
  /** One line in several glasses, or animals that went from one to the other before. */
  function isSameLine(a: Colony, b: Colony): boolean {
    const went = (e: Entry) =>
      e.kind === 'move' && [e.colonyId, e.toColonyId].toSorted().join() === [a.id, b.id].toSorted().join()
    return (a.lineId !== undefined && a.lineId === b.lineId) || care.entriesOf(a.id).some(went)
  }
  /** What is known of those that an entry names, and of its clutch. */
  function namedIn(entry: Entry, colony: Colony): Pick<ColonyFacts, 'named' | 'laidMs'> {
    const named = (entry.animalIds ?? []).flatMap(id => followed.of(id) ?? [])
    const clutchId = entry.kind === 'clutch' ? entry.clutchId : undefined
    const laid = clutchId && care.entriesOf(colony.id).find(e => e.id === clutchId)
    return {
      laidMs: laid ? momentMs(laid.at) : null,
      named: named.map(({ animal, entries }) => namedFacts(animal, entries, entry)),
    }
  }
  function question(entry: Entry, colony: Colony): string {
    const to = entry.kind === 'move' ? room.colonyById.get(entry.toColonyId) : undefined
    const doubt = entryDoubt(
      entry,
      { ...factsOf(colony), ...namedIn(entry, colony) },
      to ? { ...factsOf(to), sameLine: isSameLine(colony, to) } : null,
    )
    const key = doubt ? `${doubt.key} ${colony.id} ${doubt.values.n}` : ''
    const again = key !== '' && key === asked
    asked = again ? '' : key
    return doubt && !again ? doubtText(doubt) : ''
  }
  return { question }
}
