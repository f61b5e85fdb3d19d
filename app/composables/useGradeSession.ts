import { currentEntries, type EntryOf, type Id, type Ladder, presentRungs, type RungCount } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import { ALWAYS, freshDraft, type GradeDraft, readSession, seenOf } from '~/forms/gradeSession'
import { typedKeys } from '~/forms/typedKeys'

/** A grading session of one colony: kept on the device until it is saved. */
export function useGradeSession(colonyId: Ref<string>) {
  const room = useRoomStore()
  const log = useLogStore()
  const settings = useSettingsStore()
  const { colony, line, ladders } = useColonyLadder(colonyId)
  const { grownMs, breedersOf } = useBreeding()
  const warmth = useGradeWarmth(colony)
  const generations = computed(() => room.generations.filter(g => g.lineId === line.value?.id))
  const running = computed(() => (line.value ? breedersOf(line.value) : []))
  const sessions = useSessions(colonyId)
  /** Whether it was graded before without generations. */
  const rolling = computed(() => sessions.value.some(e => e.generationId === undefined))
  const { kept, draft, edit, by, ladder } = useGradeDraft(colonyId, ladders, usualGeneration)
  const rungs = computed(() => (ladder.value ? presentRungs(ladder.value) : []))
  /** The newest, or the next one where breeders have been at it long enough. */
  function usualGeneration(): string {
    const grown = line.value ? grownMs(line.value) : null
    if (generations.value.length === 0 && rolling.value) return ALWAYS
    return grown !== null && grown <= Date.now() ? 'new' : (generations.value.at(-1)?.id ?? 'new')
  }
  /** Those in which animals were told one by one, newest first: they may be graded again. */
  const earlier = computed(() =>
    sessions.value.filter(e => !!e.inOrder && e.ladderId === ladder.value?.id && !e.againOf).toReversed(),
  )
  const again = computed(() => earlier.value.find(e => e.id === draft.value.againOf))

  function grade(rungId: Id) {
    if (again.value && draft.value.list.length >= (again.value.seen?.length ?? 0)) return
    edit({ list: [...draft.value.list, { rungId, sex: draft.value.sex }] })
  }
  const back = () => edit({ list: draft.value.list.slice(0, -1) })
  const setSex = (sex: RungCount['sex']) => edit({ sex })
  const counts = computed(() =>
    rungs.value.map(r => (seenOf(draft.value) ?? []).reduce((sum, s) => sum + (s.rungId === r.id ? s.number : 0), 0)),
  )

  const issue = ref('')
  const { saving, saveWith } = useSave()
  async function save() {
    if (!line.value || !ladder.value) return
    const read = readSession(draft.value, {
      ...{ line: line.value, ladder: ladder.value, generations: generations.value },
      ...{ runningIds: running.value.map(b => b.id), stamp: log.stamp, nowMs: Date.now() },
      ...{ units: settings.units, measuredC: warmth.value?.meanC ?? null },
    })
    issue.value = typeof read === 'string' ? read : ''
    if (typeof read === 'string') return
    const { generation, entries: written } = read
    const writes = generation ? [{ table: 'generations' as const, record: generation }] : []
    const words = `${counts.value.reduce((a, b) => a + b, 0)} graded.`
    const ok = await saveWith(writes, written, words)
    if (!ok) return
    kept.value = null
    await navigateTo(`/lines/${line.value.id}`)
  }
  return {
    ...{ colony, line, ladders, ladder, by, rungs, generations, running, draft, edit, earlier, again },
    ...{ rolling, warmth, grade, back, setSex, counts, issue, saving, save },
  }
}

/** What is graded so far, as this device keeps it. */
function useGradeDraft(colonyId: Ref<string>, ladders: Ref<readonly Ladder[]>, usualGeneration: () => string) {
  const kept = useDurable<GradeDraft | null>(typedKeys.grade, null)
  const fresh = (ladderId = ladders.value[0]?.id ?? '') => ({
    ...{ ...freshDraft(colonyId.value, ladderId), generation: usualGeneration() },
  })
  const draft = computed<GradeDraft>({
    get: () =>
      kept.value?.colonyId === colonyId.value && ladders.value.some(l => l.id === kept.value!.ladderId)
        ? { ...fresh(kept.value.ladderId), ...kept.value }
        : fresh(),
    set: value => (kept.value = value),
  })
  const edit = (more: Partial<GradeDraft>) => (draft.value = { ...draft.value, ...more })
  const ladder = computed(() => ladders.value.find(l => l.id === draft.value.ladderId))
  /** Grades by another trait; before anybody is graded, since rungs of one ladder are none of another. */
  const by = (ladderId: Id) => (draft.value = fresh(ladderId))
  return { kept, draft, edit, by, ladder }
}

/** Gradings of this colony that stand, oldest first. */
function useSessions(colonyId: Ref<string>) {
  const { value: entries } = useLiveQuery(
    () => entriesOf(openDb(), colonyId.value),
    [],
    () => colonyId.value,
  )
  return computed(() => currentEntries(entries.value).filter((e): e is EntryOf<'grading'> => e.kind === 'grading'))
}
