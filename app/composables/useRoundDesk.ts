import { daysSinceLook, doing, type Due, fedLately, lastSeen, snapshotOf, testKeys, valuesToRead } from '#core/care'
import { expectedMolts } from '#core/molts'
import type { RoundCounter } from '#core/groups'
import { type Colony, type Entry, type EntryOf, subjectOf, toMoment, type ValueKey, valueKeys } from '#core/records'
import type { ValueVerdict } from '#core/water'
import { counterKey, type GlassDraft, isEmptyDraft, readGlass, type RoundQuestion } from '~/forms/roundDraft'
import { counted } from '~/words/numbers'
import { counterHint } from '~/words/round'

/** A counter on screen. */
export interface ShownCounter {
  key: string
  colony: Colony
  counter: RoundCounter
  hint: string
}

/** The glass at hand on a round: what is asked, what was typed, and saving it. */
export function useRoundDesk() {
  const room = useRoomStore()
  const care = useCareStore()
  const statements = useStatementsStore()
  const settings = useSettingsStore()
  const log = useLogStore()
  const rounds = useRoundStore()

  const glassId = computed(() => rounds.round?.glassId ?? '')
  const glass = computed(() => room.glassById.get(glassId.value) ?? null)
  const colonies = computed(() => room.coloniesByGlass.get(glassId.value) ?? [])
  const draft = computed(() => rounds.draftOf(glassId.value))
  const asked = ref(new Set<string>())
  const questions = ref<RoundQuestion[]>([])
  const problem = ref('')
  const saving = ref(false)
  /** what was typed at each glass before it was saved from this page */
  const savedDrafts = new Map<string, GlassDraft>()
  watch(glassId, () => {
    asked.value = new Set()
    questions.value = []
    problem.value = ''
  })

  function edit(part: Partial<GlassDraft>) {
    const next = { ...draft.value, ...part }
    rounds.keepDraft(glassId.value, isEmptyDraft(next) ? null : next)
    questions.value = []
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

  const entries = computed(() => [
    ...care.entriesOf(glassId.value),
    ...colonies.value.flatMap(c => care.entriesOf(c.id)),
  ])
  const fed = computed(() => fedLately(entries.value, care.nowMs))

  const counters = computed<ShownCounter[]>(() =>
    colonies.value.flatMap(colony => {
      const group = care.glassCare(glassId.value)?.colonies.find(c => c.colony.id === colony.id)?.group.group
      const days = daysSinceLook(care.entriesOf(glassId.value), rounds.round?.id ?? '', care.nowMs)
      const now = statements.of(colony.id)?.population.now
      const molts = group && now ? (expectedMolts(group.care.molts, now, days)?.value ?? null) : null
      return (group?.care.counters ?? []).map((counter): ShownCounter => ({
        key: counterKey(colony.id, counter),
        colony,
        counter,
        hint: counterHint(
          counter,
          lastSeen(counter, care.entriesOf(colony.id), care.nowMs),
          counter === 'molts' ? molts : null,
        ),
      }))
    }),
  )

  const verdicts = computed(() => {
    const map = new Map<ValueKey, ValueVerdict>()
    for (const c of colonies.value)
      for (const v of statements.of(c.id)?.water.values ?? [])
        if (!map.has(v.key) || v.state === 'off') map.set(v.key, v)
    return map
  })
  const moreValues = ref(false)
  const showAllValues = () => {
    moreValues.value = true
  }
  const dueKeys = computed(() =>
    due.value.filter(d => d.item.kind === 'test' && d.state !== 'soon').flatMap(d => testKeys(d.item.values)),
  )
  const values = computed<ValueKey[]>(() => [
    ...new Set([
      ...valuesToRead(dueKeys.value, verdicts.value),
      ...valueKeys.filter(k => moreValues.value || draft.value.readings[k]),
    ]),
  ])
  const method = (key: ValueKey) => {
    const used = verdicts.value.get(key)?.latest?.method
    return used && used !== 'reckoned'
      ? used
      : key === 'temperatureC' || key === 'humidityPct'
        ? 'probe'
        : settings.testMethod
  }

  /** Saves what stands there, with the visit, as one step. @returns whether it is saved */
  async function save(): Promise<boolean> {
    const round = rounds.round
    if (!round || !glass.value || saving.value) return false
    saving.value = true
    const now = Date.now()
    const stamped = toMoment(now)
    try {
      const read = readGlass(draft.value, {
        glassId: glassId.value,
        colonies: colonies.value,
        roundId: round.id,
        items: new Map(touches.value.map(d => [d.item.key, d.item])),
        verdicts: verdicts.value,
        method,
        units: settings.units,
        nowMs: now,
        high: id => statements.of(id)?.population.now.high ?? null,
        stamp: () => ({ ...log.stamp(), loggedAt: stamped }),
        asked: asked.value,
      })
      if (!read.ok) {
        questions.value = read.questions
        for (const q of read.questions) asked.value.add(q.key)
        return false
      }
      const more = read.entries.length - 1
      const saved = await log.saveAll(
        read.entries,
        more === 0
          ? `${glass.value.name}: looked at, nothing odd.`
          : `${glass.value.name}: ${counted(more, 'line', 'lines').toLowerCase()} saved.`,
      )
      if (!saved) return false
      savedDrafts.set(glassId.value, draft.value)
      rounds.keepDraft(glassId.value, null)
      rounds.settle(glassId.value, true)
      problem.value = ''
      return true
    } finally {
      saving.value = false
    }
  }

  function goOn() {
    const next = rounds.nextAfter(glassId.value)
    if (next) rounds.goTo(next)
    else {
      rounds.end()
      void navigateTo('/round/report')
    }
  }
  async function saveAndGoOn() {
    if (await save()) goOn()
  }
  /** Passes the glass over; what was typed stays for later. */
  async function pass() {
    const round = rounds.round
    if (!round || !glass.value) return
    const saved = await log.save(
      {
        ...log.stamp(),
        at: toMoment(Date.now()),
        kind: 'visit',
        glassId: glassId.value,
        roundId: round.id,
        outcome: 'passed',
      },
      `${glass.value.name}: passed over.`,
    )
    if (!saved) return
    rounds.settle(glassId.value, true)
    goOn()
  }

  /** What a glass's last save on this round wrote: its visit, and everything written in the same moment. */
  const savedHere = computed(() => {
    const visit = rounds.entries.findLast(
      (e): e is EntryOf<'visit'> => e.kind === 'visit' && e.roundId === rounds.round?.id && e.glassId === glassId.value,
    )
    return visit ? batchOf(visit) : []
  })
  function batchOf(visit: EntryOf<'visit'>): Entry[] {
    const own = new Set([visit.glassId, ...(room.coloniesByGlass.get(visit.glassId) ?? []).map(c => c.id)])
    return rounds.entries.filter(
      e =>
        e.loggedAt === visit.loggedAt &&
        [subjectOf(e).glassId, subjectOf(e).colonyId].some(id => id !== undefined && own.has(id)),
    )
  }
  /** Takes a glass's last save back and returns to it: the one at hand, or the one saved before. */
  async function undo() {
    const ofRound = (e: Entry) => e.kind === 'visit' && e.roundId === rounds.round?.id
    // what was saved a moment ago may not have come back from the log yet
    const lastSaved = log.last?.entries.find(ofRound)
    const visit = savedHere.value.find(ofRound) ?? lastSaved ?? rounds.entries.findLast(ofRound)
    if (visit?.kind !== 'visit') return
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
  return {
    glassId,
    glass,
    colonies,
    draft,
    edit,
    due,
    touches,
    asks,
    attention,
    fed,
    counters,
    verdicts,
    dueKeys,
    values,
    moreValues,
    showAllValues,
    method,
    questions,
    problem,
    saving,
    save,
    saveAndGoOn,
    goOn,
    pass,
    undo,
    savedHere,
    toggle,
    allDone,
  }
}
export type RoundDesk = ReturnType<typeof useRoundDesk>

/** What is said of the colonies now, to compare a round by. */
export const useSnapshots = () => {
  const statements = useStatementsStore()
  return computed(() => statements.inRoom.map(s => ({ colonyId: s.colonyId, snapshot: snapshotOf(s) })))
}
