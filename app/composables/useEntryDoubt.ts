import { type ColonyFacts, entryDoubt, type Meeting, namedFacts, neverKept, stillCuring } from '#core/care'
import { resolveGroup } from '#core/groups'
import type { ValueVerdict } from '#core/water'
import { type Colony, type Entry, momentMs, presentGlassId } from '#core/records'
import { type Asked, askOnce } from '~/forms/askOnce'
import { doubtText } from '~/words/entryDoubt'

const lastOf = (values: readonly ValueVerdict[]) => values.find(v => v.key === 'salinityGKg')?.latest?.value

/** An entry that is about to be written, and the colony that it is of. */
interface Step {
  entry: Entry
  colony: Colony
}

/**
 * Asks once about an entry that can hardly be: a second save of the same keeps it.
 * @returns the question, empty where nothing is odd or where it was asked already
 */
export function useEntryDoubt() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const care = useCareStore()
  const followed = useAnimalsStore()
  const ask = askOnce()

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
  const { meetsIn } = useMeeting()
  /** Whom animals of a colony would meet in the glass of another; nobody new where some went there before. */
  function meetingAt(from: Colony, to: Colony): Meeting {
    const pair = [from.id, to.id].toSorted().join()
    const went = care
      .entriesOf(from.id)
      .some(e => e.kind === 'move' && [e.colonyId, e.toColonyId].toSorted().join() === pair)
    const meets = meetsIn(from, presentGlassId(to))
    return went && meets === 'crosses' ? 'sameLine' : meets
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
  function oddIn({ entry, colony }: Step): Asked[] {
    const to = entry.kind === 'move' ? room.colonyById.get(entry.toColonyId) : undefined
    const doubt = entryDoubt(
      entry,
      { ...factsOf(colony), ...namedIn(entry, colony) },
      to ? { ...factsOf(to), meets: meetingAt(colony, to) } : null,
    )
    if (!doubt) return []
    // as many to the same place are the same again; others are another step
    const going = 'number' in entry ? entry.number : doubt.values.n
    const key = [doubt.key, colony.id, to?.id, going].join(' ')
    return [{ key, text: doubtText(doubt), never: neverKept.includes(doubt.key) }]
  }
  /** Of entries that are written together. */
  const questionOf = (steps: readonly Step[]): string => ask(steps.flatMap(oddIn))
  const question = (entry: Entry, colony: Colony): string => questionOf([{ entry, colony }])
  return { question, questionOf }
}
