import { proxy, wrap } from 'comlink'
import { format } from 'date-fns'
import { defineStore } from 'pinia'
import { needsAttention } from '#core/care'
import type { ColonyStatements } from '#core/statements'
import { openDb, type Revision, type Summary } from '~/data/database'
import { allRevisions } from '~/data/revisions'
import type { StatementsApi } from '~/workers/statements.worker'

/**
 * Statements of all colonies in the room. A worker computes them; this store watches the revisions and asks again for
 * those that changed, here or in another tab. Until an answer comes the last one stays.
 */
export const useStatementsStore = defineStore('statements', () => {
  const room = useRoomStore()
  const build = useRuntimeConfig().app.buildId
  // minutes are fine enough: it notices midnight, and entries made since the page was opened
  const now = useNow({ interval: 60_000 })
  const day = computed(() => format(now.value, 'yyyy-MM-dd'))

  const byColony = shallowRef(new Map<string, Summary>())
  const failed = ref('')
  const { value: revisions } = useLiveQuery<Revision[] | null>(() => allRevisions(openDb()), null)
  const revisionOf = computed(() => new Map(revisions.value?.map(r => [r.colonyId, r.revision])))

  // the whole `new Worker(new URL(...))` stays in one expression with a literal path: Vite looks for that text
  const startWorker = () => wrap<StatementsApi>(new Worker(new URL('../workers/statements.worker.ts', import.meta.url), { type: 'module', name: 'statements' }))
  let worker: ReturnType<typeof startWorker> | undefined
  const asked = new Map<string, string>()

  function take(summaries: Summary[]) {
    const next = new Map(byColony.value)
    for (const s of summaries) next.set(s.colonyId, s)
    byColony.value = next
  }

  const busy = ref(0)
  async function refresh(colonyIds: string[], mayBeKept: boolean) {
    busy.value++
    try {
      worker ??= startWorker()
      await worker.statementsOf({ colonyIds, nowMs: Date.now(), day: day.value, build, mayBeKept }, proxy(take))
      failed.value = ''
    }
    catch (error) {
      failed.value = error instanceof Error ? error.message : String(error)
      for (const id of colonyIds) asked.delete(id)
    }
    finally {
      busy.value--
    }
  }

  /** Asks at once for what this tab has just changed; the watch below would learn of it a moment later. */
  function changed(revised: readonly Revision[]) {
    const shown = revised.filter(r => room.colonyById.has(r.colonyId))
    for (const r of shown) asked.set(r.colonyId, `${r.revision} ${day.value}`)
    if (shown.length > 0) void refresh(shown.map(r => r.colonyId), false)
  }

  watch([() => room.colonies, revisionOf, day], () => {
    if (revisions.value === null) return
    const wanted = room.colonies.filter((c) => {
      const mark = `${revisionOf.value.get(c.id) ?? ''} ${day.value}`
      if (asked.get(c.id) === mark) return false
      asked.set(c.id, mark)
      return true
    })
    // what was asked for before and is asked for again has changed since
    const known = wanted.filter(c => byColony.value.has(c.id))
    const others = wanted.filter(c => !byColony.value.has(c.id))
    if (known.length > 0) void refresh(known.map(c => c.id), false)
    if (others.length > 0) void refresh(others.map(c => c.id), true)
  }, { immediate: true })

  const of = (colonyId: string): ColonyStatements | null => byColony.value.get(colonyId)?.statements ?? null
  const inRoom = computed(() => room.colonies.flatMap(c => of(c.id) ?? []))
  const complete = computed(() => room.ready && inRoom.value.length === room.colonies.length)
  const attention = computed(() => needsAttention(inRoom.value))
  return { of, changed, busy, inRoom, complete, attention, failed, now }
})
