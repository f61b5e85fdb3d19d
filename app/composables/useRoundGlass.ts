import { doing, type Due, fedLately, snapshotOf } from '#core/care'
import { type GlassDraft, isEmptyDraft } from '~/forms/roundDraft'

/** The glass at hand on a round: who lives there, what is due, what was touched and typed. */
export function useRoundGlass() {
  const room = useRoomStore()
  const care = useCareStore()
  const statements = useStatementsStore()
  const rounds = useRoundStore()

  const glassId = computed(() => rounds.round?.glassId ?? '')
  const glass = computed(() => room.glassById.get(glassId.value) ?? null)
  const colonies = computed(() => room.coloniesByGlass.get(glassId.value) ?? [])
  const draft = computed(() => rounds.draftOf(glassId.value))
  function edit(part: Partial<GlassDraft>) {
    const next = { ...draft.value, ...part }
    rounds.keepDraft(glassId.value, isEmptyDraft(next) ? null : next)
  }

  const due = computed(() => (care.ofGlass.get(glassId.value) ?? []).filter(d => d.state !== 'ahead'))
  /** due now and done with a touch; what became of the last food has chips of its own */
  const touches = computed(() => due.value.filter(d => doing(d.item) !== null && d.item.kind !== 'leftovers'))
  const asks = computed(() =>
    due.value.filter(
      d => d.state !== 'soon' && (doing(d.item) === null || d.item.kind === 'mend' || d.item.kind === 'clutch'),
    ),
  )
  const attention = computed(() => statements.attention.filter(a => colonies.value.some(c => c.id === a.colonyId)))
  const fed = computed(() =>
    fedLately([...care.entriesOf(glassId.value), ...colonies.value.flatMap(c => care.entriesOf(c.id))], care.nowMs),
  )

  function toggle(d: Due) {
    const { key } = d.item
    edit({
      done: draft.value.done.includes(key) ? draft.value.done.filter(k => k !== key) : [...draft.value.done, key],
    })
  }
  /** All that is due here and done with a touch. */
  function allDone() {
    const keys = touches.value.filter(d => d.state !== 'soon').map(d => d.item.key)
    edit({ done: keys.every(k => draft.value.done.includes(k)) ? [] : keys })
  }
  return { glassId, glass, colonies, draft, edit, due, touches, asks, attention, fed, toggle, allDone }
}
export type RoundGlassAtHand = ReturnType<typeof useRoundGlass>

/** What is said of the colonies now, to compare a round by. */
export const useSnapshots = () => {
  const statements = useStatementsStore()
  return computed(() => statements.inFull.map(s => ({ colonyId: s.colonyId, snapshot: snapshotOf(s) })))
}
