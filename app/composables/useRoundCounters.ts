import { daysSinceLook, lastSeen } from '#core/care'
import type { RoundCounter } from '#core/groups'
import type { Colony } from '#core/records'
import { counterKey } from '~/forms/roundDraft'
import { counterHint } from '~/words/round'
import type { RoundGlassAtHand } from './useRoundGlass'

/** A counter on screen. */
export interface ShownCounter {
  key: string
  colony: Colony
  counter: RoundCounter
  hint: string
}

/** What can be counted at the glass at hand, each with what was seen last. */
export function useRoundCounters({ glassId, colonies }: RoundGlassAtHand) {
  const care = useCareStore()
  const statements = useStatementsStore()
  const rounds = useRoundStore()
  const room = useRoomStore()
  function countersOf(colony: Colony): ShownCounter[] {
    const group = care.glassCare(glassId.value)?.colonies.find(c => c.colony.id === colony.id)?.group.group
    const days = daysSinceLook(care.entriesOf(glassId.value), rounds.round?.id ?? '', care.nowMs)
    const shed = statements.of(colony.id)?.molts?.watch.perDay
    const molts = shed === undefined || !(days > 0) ? null : shed * days
    const hatching = statements.of(colony.id)?.broods?.lines.find(l => !l.awaits)
    const expected = { molts, hatchMs: hatching?.hatch.earliestMs ?? null, nowMs: care.nowMs }
    // larvae are sampled, not counted: of them the dead alone are seen on a round
    const counters = colony.form === 'rearing' && group?.larvae ? (['dead'] as const) : group?.care.counters
    const graded = room.lines.find(l => l.id === colony.lineId)?.ladderIds.length
    return [...(counters ?? []), ...(graded ? (['dull'] as const) : [])].map((counter): ShownCounter => ({
      key: counterKey(colony.id, counter),
      colony,
      counter,
      hint: counterHint(counter, lastSeen(counter, care.entriesOf(colony.id), care.nowMs), expected),
    }))
  }
  return { counters: computed(() => colonies.value.flatMap(countersOf)) }
}
