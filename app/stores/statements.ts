import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { needsAttention } from '#core/care'
import { bySex } from '#core/lines'
import { type Colony, watersOf } from '#core/records'
import type { ColonyStatements, TaughtBy } from '#core/statements'
import { WORKER_TROUBLE } from '~/composables/useWorker'
import { openDb, type Revision, type Summary } from '~/data/database'
import { allRevisions } from '~/data/revisions'
import type { StatementSubject } from '~/data/summaries'
import { deviceDay } from '~/forms/deviceDays'

/**
 * Statements of all colonies in the room. Workers compute them; this store watches the revisions and asks again for
 * those that changed, here or in another tab. Until an answer comes the last one stays.
 */
export const useStatementsStore = defineStore('statements', () => {
  const room = useRoomStore()
  const followed = useAnimalsStore()
  // minutes are fine enough: it notices midnight, and entries made since the page was opened
  const now = useNow({ interval: 60_000 })
  const day = computed(() => deviceDay(now.value.getTime()))

  const { value: revisions } = useLiveQuery<Revision[] | null>(() => allRevisions(openDb()), null)
  const revisionOf = computed(() => new Map(revisions.value?.map(r => [r.colonyId, r.revision])))

  const { byColony, busy, failed, refresh, notAsked, look } = useAsking(day)
  const subjectOf = useStatementSubjects(byColony)
  const atHand = useAtHand()
  const inOrder = useTellingOrder(atHand)
  watch(atHand, look, { immediate: true })

  /** Asks at once for what this tab has just changed; the watch below would learn of it a moment later. */
  function changed(revised: readonly Revision[]) {
    void refresh(
      revised.flatMap(({ colonyId, revision }) => {
        const colony = room.colonyById.get(colonyId)
        return colony ? subjectOf(colony, revision).filter(notAsked) : []
      }),
      false,
    )
  }

  watch(
    [() => room.colonies, () => room.glassById, () => room.room, () => followed.lives, revisionOf, day],
    () => {
      if (revisions.value === null) return
      const wanted = inOrder()
        .flatMap(c => subjectOf(c, revisionOf.value.get(c.id) ?? ''))
        .filter(notAsked)
      // what was asked for before and is asked for again has changed since
      void refresh(
        wanted.filter(s => byColony.has(s.colony.id)),
        false,
      )
      void refresh(
        wanted.filter(s => !byColony.has(s.colony.id)),
        true,
      )
    },
    { immediate: true },
  )

  /** Asks again for what failed. */
  const again = () =>
    refresh(room.colonies.flatMap(c => subjectOf(c, revisionOf.value.get(c.id) ?? '')).filter(notAsked), true)

  const of = (colonyId: string): ColonyStatements | null => byColony.get(colonyId)?.statements ?? null
  const inRoom = computed(() => room.colonies.flatMap(c => of(c.id) ?? []))
  const complete = computed(() => room.ready && inRoom.value.length === room.colonies.length)
  /** Those that are told in full; a first look is too rough to compare, to offer or to promise by. */
  const inFull = computed(() => inRoom.value.filter(s => !s.population.firstLook))
  const firstLooks = computed(() => inRoom.value.length - inFull.value.length)
  const attention = computed(() => needsAttention(inRoom.value))
  /** What a worker needs beside the log to answer for one colony; null until its records are there. */
  const subject = (colony: Colony): StatementSubject | null =>
    subjectOf(colony, revisionOf.value.get(colony.id) ?? '')[0] ?? null
  return { of, changed, subjectOf: subject, busy, inRoom, inFull, complete, firstLooks, attention, failed, again, now }
})

/** The statements that have come, asking the workers for more, and what was asked for already. */
function useAsking(day: Ref<string>) {
  const build = useRuntimeConfig().app.buildId
  const { ask, look, start } = useStatementWorkers()
  // a device that knows a room will ask in a moment
  if (useSettingsStore().roomId) start()
  // followed by key: a glass draws anew when its own colony was told
  const byColony = shallowReactive(new Map<string, Summary>())
  const failed = ref('')
  const asked = new Map<string, string>()

  function take(summaries: Summary[]) {
    for (const s of summaries) byColony.set(s.colonyId, s)
  }

  const busy = ref(0)
  async function refresh(subjects: StatementSubject[], mayBeKept: boolean) {
    if (subjects.length === 0) return
    busy.value++
    try {
      const nowMs = Date.now()
      await ask(subjects, (api, own) =>
        api.statementsOf({ subjects: own, nowMs, day: day.value, build, mayBeKept }, proxy(take)),
      )
      failed.value = ''
    } catch {
      failed.value = WORKER_TROUBLE
      for (const s of subjects) asked.delete(s.colony.id)
    } finally {
      busy.value--
    }
  }

  /** Leaves out what was asked for already, and remembers the rest. */
  function notAsked(subject: StatementSubject): boolean {
    const mark = `${subject.revision} ${day.value}`
    const before = asked.get(subject.colony.id)
    asked.set(subject.colony.id, mark)
    return before !== mark
  }
  return { byColony, busy, failed, refresh, notAsked, look }
}

/** The colonies in the order in which they are told: the one at hand, then as they stand on the racks. */
function useTellingOrder(atHand: Ref<string>): () => Colony[] {
  const room = useRoomStore()
  return () => {
    const onRacks = room.drawn.flatMap(d => d.shelves.flat()).flatMap(g => room.coloniesByGlass.get(g.id) ?? [])
    const placed = new Set(onRacks)
    const all = [...onRacks, ...room.colonies.filter(c => !placed.has(c))]
    return [...all.filter(c => c.id === atHand.value), ...all.filter(c => c.id !== atHand.value)]
  }
}

/**
 * What the worker needs beside the log for a colony, with a revision of all of it: the log's, and when each record was
 * edited, because log and records reach this page one after the other. A colony whose glass has not come yet waits.
 */
function useStatementSubjects(told: ReadonlyMap<string, Summary>) {
  const room = useRoomStore()
  const followed = useAnimalsStore()
  /** What broods of this keeper's other colonies of the group have taught so far; it is no reason to ask again. */
  const taughtBeside = (colony: Colony): TaughtBy[] =>
    room.colonies
      .filter(c => c.groupId === colony.groupId && c.id !== colony.id)
      .map(c => ({ colonyId: c.id, lengths: toRaw(told).get(c.id)?.statements.broods?.lengths ?? [] }))
  const { coreOf } = useBreeding()
  /** Those of a colony that breed for its line; undefined where none do. */
  const breedingIn = (colony: Colony) => {
    const core = bySex(coreOf(colony))
    return core.females + core.males > 0 ? core : undefined
  }
  return (colony: Colony, logRevision: string): StatementSubject[] => {
    const glass = room.glassOf(colony)
    if (!glass || !room.room || !followed.ready) return []
    const waters = watersOf(colony, room.glassById)
    const animals = followed.everIn(colony.id)
    const revs = [...waters.map(w => w.water.rev), ...animals.map(a => a.rev)]
    const breeding = breedingIn(colony)
    const bred = breeding ? [`${breeding.females}+${breeding.males}`] : []
    const revision = [logRevision, colony.rev, glass.rev, room.room.rev, ...revs, ...bred].join(' ')
    const about = { colony: toRaw(colony), glass: toRaw(glass), waters: toRaw(waters), animals: animals.map(toRaw) }
    return [{ ...about, taughtBy: taughtBeside(colony), ...(breeding && { breeding }), revision }]
  }
}
