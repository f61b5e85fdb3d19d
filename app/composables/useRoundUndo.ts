import { type Entry, type EntryOf, subjectOf } from '#core/records'
import type { GlassDraft } from '~/forms/roundDraft'

/** Taking back what a round has saved, with what was typed there. */
export function useRoundUndo(glassId: Ref<string>) {
  const room = useRoomStore()
  const log = useLogStore()
  const rounds = useRoundStore()
  /** what was typed at each glass before it was saved from this page */
  const savedDrafts = new Map<string, GlassDraft>()
  const keep = (id: string, draft: GlassDraft) => void savedDrafts.set(id, draft)

  const isVisit = (e: Entry): e is EntryOf<'visit'> => e.kind === 'visit' && e.roundId === rounds.round?.id
  function batchOf(visit: EntryOf<'visit'>): Entry[] {
    const own = new Set([visit.glassId, ...(room.coloniesByGlass.get(visit.glassId) ?? []).map(c => c.id)])
    return rounds.entries.filter(
      e =>
        e.loggedAt === visit.loggedAt &&
        [subjectOf(e).glassId, subjectOf(e).colonyId].some(id => id !== undefined && own.has(id)),
    )
  }
  /** What a glass's last save on this round wrote: its visit, and everything written in the same moment. */
  const savedHere = computed(() => {
    const visit = rounds.entries.filter(isVisit).findLast(e => e.glassId === glassId.value)
    return visit ? batchOf(visit) : []
  })
  /** Takes a glass's last save back and returns to it: the one at hand, or the one saved before. */
  async function undo() {
    // what was saved a moment ago may not have come back from the log yet
    const lastSaved = log.last?.entries.find(isVisit)
    const visit = savedHere.value.find(isVisit) ?? lastSaved ?? rounds.entries.findLast(isVisit)
    if (!visit) return
    const taken = await log.takeBackAll(
      visit === lastSaved ? log.last!.entries : batchOf(visit),
      `${room.glassById.get(visit.glassId)?.name ?? 'The glass'}: taken back.`,
    )
    if (!taken) return
    rounds.settle(visit.glassId, false)
    // what was typed stands there again, to be put right
    rounds.keepDraft(visit.glassId, savedDrafts.get(visit.glassId) ?? null)
    rounds.goTo(visit.glassId)
  }
  return { keep, savedHere, undo }
}
