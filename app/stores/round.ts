import { defineStore } from 'pinia'
import { roundProgress, snapshotOf } from '#core/care'
import { currentEntries, type Entry, momentMs, subjectOf, toMoment } from '#core/records'
import type { Round } from '~/composables/useStoredRound'
import { newId } from '~/data/newId'
import { emptyGlassDraft, type GlassDraft } from '~/forms/roundDraft'

/**
 * The round that is under way. What is typed at a glass is kept on the device with every touch, before anything is
 * saved:
 * a tab that is killed loses nothing. The log gets it when the keeper goes on.
 */
export const useRoundStore = defineStore('round', () => {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const stored = useStoredRound()
  const round = computed(() => (stored.value?.roomId === room.room?.id ? stored.value : null))
  const running = computed(() => (round.value && !round.value.endedAt ? round.value : null))
  const { walk, progress, settle, settled, asks, nextAfter } = useRoundWay(round)

  function start(onlyDue: boolean) {
    const before = Object.fromEntries(statements.inFull.map(s => [s.colonyId, snapshotOf(s)]))
    stored.value = {
      id: newId(),
      roomId: room.room!.id,
      startedAt: toMoment(Date.now()),
      onlyDue,
      glassId: '',
      before,
      endedAt: '',
    }
    settled.value = new Set()
    stored.value = { ...stored.value, glassId: nextAfter() ?? walk.value[0] ?? '' }
  }
  function goTo(glassId: string) {
    if (stored.value) stored.value = { ...stored.value, glassId }
  }
  function end() {
    if (stored.value) stored.value = { ...stored.value, endedAt: toMoment(Date.now()) }
  }
  /** A round that was ended too early goes on. */
  function resume() {
    if (stored.value) stored.value = { ...stored.value, endedAt: '' }
  }

  const { draftOf, isOld, unsaved, keepDraft } = useRoundDrafts(() => round.value?.id ?? '')
  const entries = useRoundEntries(round)
  return {
    round,
    running,
    progress,
    nextAfter,
    settle,
    asks,
    start,
    goTo,
    end,
    resume,
    draftOf,
    isOld,
    unsaved,
    keepDraft,
    entries,
  }
})

/** The way through the glasses of a round: which were looked at, which ask for something, and which comes next. */
function useRoundWay(round: Ref<Round | null>) {
  const room = useRoomStore()
  const care = useCareStore()
  const statements = useStatementsStore()
  const onlyDue = computed(() => round.value !== null && round.value.endedAt === '' && round.value.onlyDue)
  const walk = computed(() => care.walk.map(g => g.id))
  const visits = computed(() =>
    currentEntries(
      care.log.filter(e => e.kind === 'visit' || (e.kind === 'withdrawal' && e.glassId !== undefined)),
    ).filter(e => e.kind === 'visit'),
  )
  const progress = computed(() => roundProgress(walk.value, round.value?.id ?? '', visits.value))

  /** glasses that this page has just saved or passed over */
  const settled = ref(new Set<string>())
  const settle = (glassId: string, done: boolean) => {
    if (done) settled.value.add(glassId)
    else settled.value.delete(glassId)
  }

  /** glasses of this round: all, or those with something due */
  const asks = (glassId: string) =>
    (care.ofGlass.get(glassId) ?? []).some(d => d.state === 'late' || d.state === 'due') ||
    statements.attention.some(a => room.glassOf(room.colonyById.get(a.colonyId))?.id === glassId && a.state === 'off')
  function nextAfter(glassId?: string): string | null {
    // what was saved a moment ago may not have come back from the log yet
    const wanted = walk.value.filter(id => id === glassId || (!settled.value.has(id) && (!onlyDue.value || asks(id))))
    return roundProgress(wanted, round.value?.id ?? '', visits.value).next(glassId)
  }
  return { walk, progress, settled, settle, asks, nextAfter }
}

/** What was typed at the glasses and is not saved yet. */
function useRoundDrafts(roundId: () => string) {
  const care = useCareStore()
  /** by glass; each knows the round on which it was begun */
  const drafts = useDurable<Record<string, { roundId: string; draft: GlassDraft }>>('ulkin.roundDrafts', {})

  // a draft of an older version of the app may lack a field
  const draftOf = (glassId: string): GlassDraft => ({ ...emptyGlassDraft(), ...drafts.value[glassId]?.draft })
  /** whether what stands at a glass was typed on an earlier round */
  const isOld = (glassId: string) => drafts.value[glassId] !== undefined && drafts.value[glassId].roundId !== roundId()
  /** glasses at which something was typed and not saved */
  const unsaved = computed(() => care.walk.filter(g => drafts.value[g.id]))
  function keepDraft(glassId: string, draft: GlassDraft | null) {
    const { [glassId]: before, ...rest } = drafts.value
    drafts.value = draft ? { ...rest, [glassId]: { roundId: before?.roundId ?? roundId(), draft } } : rest
  }
  return { draftOf, isOld, unsaved, keepDraft }
}

/** What was written in this room since a round began, until it ended, and counts now. */
function useRoundEntries(round: Ref<Round | null>) {
  const room = useRoomStore()
  const care = useCareStore()
  return computed<Entry[]>(() => {
    const r = round.value
    if (!r) return []
    const since = momentMs(r.startedAt)
    const until = r.endedAt ? momentMs(r.endedAt) : Infinity
    return currentEntries(
      care.log.filter(e => {
        const { colonyId, glassId } = subjectOf(e)
        const written = momentMs(e.loggedAt)
        // a withdrawal may come later than the round
        return (
          (e.kind === 'withdrawal' || (written >= since && written <= until)) &&
          (room.colonyById.has(colonyId ?? '') || room.glassById.has(glassId ?? ''))
        )
      }),
    ).filter(e => momentMs(e.loggedAt) >= since)
  })
}
