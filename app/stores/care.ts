import { defineStore } from 'pinia'
import {
  CARE_LOG_DAYS,
  type ColonyCare,
  type Due,
  type DueItem,
  dueState,
  type GlassCare,
  levelEffort,
  schedule,
} from '#core/care'
import { type ResolvedGroup, resolveGroup } from '#core/groups'
import {
  type Colony,
  DAY_MS,
  type Entry,
  netLitres,
  readLog,
  type RoomCare,
  startOfDay,
  weekdayOf,
  subjectOf,
  usualBench,
  walkOrder,
} from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { openDb } from '~/data/database'
import { deviceZone } from '~/data/deviceZone'
import { entriesSince } from '~/data/log'
import { deviceDayEnd, deviceDayFrom } from '~/forms/deviceDays'

/** Days ahead over which work is spread. */
const AHEAD_DAYS = 28

const ROOM = ''

/** What is due in the room: reckoned from the recent log, the statements and the plans, never kept. */
export const useCareStore = defineStore('care', () => {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const { save } = useSave({ queue: true })
  const { value: log, ready: read } = useLiveQuery<Entry[]>(
    entriesSince(openDb(), Date.now() - CARE_LOG_DAYS * DAY_MS),
    [],
  )
  const told = useOnceTold()
  const ready = computed(() => read.value && told.value)

  // the shared clock ticks by the minute: what was logged since the last tick has happened too
  const nowMs = computed(() => (log.value, Math.max(statements.now.getTime(), Date.now())))
  const dayEndMs = computed(() => deviceDayEnd(nowMs.value))

  const entriesOf = useStandingEntries(log)
  const { glasses, glassCare } = useGlassCare(entriesOf)
  const items = computed(() =>
    room.ready && ready.value
      ? schedule({
          roomId: room.room?.id ?? '',
          marks: entriesOf(ROOM),
          glasses: glasses.value,
          plans: room.plans,
          bench: room.room?.bench ?? usualBench,
          nowMs: nowMs.value,
        })
      : [],
  )
  const settings = computed<RoomCare>(() => room.room?.care ?? { days: [], walk: [] })
  const days = computed(() =>
    Array.from({ length: AHEAD_DAYS }, (_, i) => {
      const day = deviceDayFrom(nowMs.value, i)
      return { startMs: startOfDay(day, deviceZone()), weekday: weekdayOf(day) }
    }),
  )
  const levelled = computed(() => levelEffort(items.value, days.value, settings.value.days))
  const { due, today, minutes, ofGlass } = useDueNow(levelled, nowMs, dayEndMs)
  const walk = computed(() => walkOrder(room.racks, room.glasses, settings.value.walk))
  /** Changes how the room's care is laid out. */
  async function change(part: Partial<RoomCare>) {
    if (room.room) await save('rooms', { ...toRaw(room.room), care: { ...settings.value, ...part } })
  }
  return {
    ready,
    log,
    nowMs,
    dayEndMs,
    entriesOf,
    glassCare,
    items,
    levelled,
    settings,
    days,
    due,
    today,
    minutes,
    ofGlass,
    subjectName: useSubjectName(),
    walk,
    change,
  }
})

/** What is due follows from what is told; once the room was, a colony that joins keeps nobody waiting. */
function useOnceTold(): Ref<boolean> {
  const statements = useStatementsStore()
  const told = ref(false)
  watchEffect(() => {
    if (statements.complete || statements.failed) told.value = true
  })
  return told
}

/** What stands of each glass's and each colony's recent log; read anew only where something was written. */
function useStandingEntries(log: Ref<Entry[]>): (id: string) => readonly Entry[] {
  let held = new Map<string, { raw: Entry[]; standing: Entry[] }>()
  const standing = computed(() => {
    const raw = new Map<string, Entry[]>()
    for (const e of log.value) {
      const { colonyId, toColonyId, glassId } = subjectOf(e)
      // what belongs to no glass and no colony lies under the empty id
      for (const id of new Set([colonyId ?? (glassId === undefined ? ROOM : undefined), toColonyId, glassId])) {
        if (id === undefined) continue
        const list = raw.get(id)
        if (list) list.push(e)
        else raw.set(id, [e])
      }
    }
    held = new Map(
      [...raw].map(([id, list]) => {
        const before = held.get(id)
        return [
          id,
          before && before.raw.length === list.length && before.raw.at(-1)!.id === list.at(-1)!.id
            ? before
            : { raw: list, standing: readLog(list).standing },
        ]
      }),
    )
    return held
  })
  return id => standing.value.get(id)?.standing ?? []
}

/** The glasses with who lives in them and what their log and statements say. */
function useGlassCare(entriesOf: (id: string) => readonly Entry[]) {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const groups = computed(() => new Map<string, ResolvedGroup>(room.colonies.map(c => [c.id, resolveGroup(c)])))
  function colonyCare(colony: Colony): ColonyCare {
    const told = statements.of(colony.id)
    return {
      colony,
      group: groups.value.get(colony.id)!,
      entries: entriesOf(colony.id),
      numbers: told && numbersOf(told),
      // nothing of the water is due before it is judged: "never tested" would be untrue
      values: told?.water.values ?? [],
    }
  }
  const glasses = computed(() =>
    room.glasses.map((glass): GlassCare => ({
      glass,
      netL: netLitres(glass),
      colonies: (room.coloniesByGlass.get(glass.id) ?? []).map(colonyCare),
      entries: entriesOf(glass.id),
    })),
  )
  const glassCare = (glassId: string) => glasses.value.find(g => g.glass.id === glassId) ?? null
  return { glasses, glassCare }
}

/** Says whose a due item is: a glass's, a colony's in it, or the room's own. */
function useSubjectName(): (item: DueItem) => string {
  const room = useRoomStore()
  return item => {
    const colony = room.colonyById.get(item.colonyId ?? '')
    const glass = item.glassId ? room.glassById.get(item.glassId) : room.glassOf(colony)
    if (!glass) return room.room?.name ?? ''
    return colony && colony.name !== glass.name ? `${colony.name} in ${glass.name}` : glass.name
  }
}

/** The list as it stands now. */
function useDueNow(levelled: Ref<DueItem[]>, nowMs: Ref<number>, dayEndMs: Ref<number>) {
  /** the list with its states; work that waits for another of the keeper's days is ahead */
  const due = computed<Due[]>(() =>
    levelled.value.map(item => ({ item, state: dueState(item, nowMs.value, dayEndMs.value) })),
  )
  const today = computed(() => due.value.filter(d => d.state === 'late' || d.state === 'due'))
  const minutes = computed(() => today.value.reduce((s, d) => s + d.item.minutes, 0))
  const ofGlass = computed(() => {
    const map = new Map<string, Due[]>()
    for (const d of due.value) if (d.item.glassId) map.set(d.item.glassId, [...(map.get(d.item.glassId) ?? []), d])
    return map
  })
  return { due, today, minutes, ofGlass }
}

function numbersOf({ population: p }: ColonyStatements): ColonyCare['numbers'] {
  return {
    value: p.now.value,
    low: p.now.low,
    high: p.now.high,
    ifCounted: p.ifCountedToday,
    lastCountMs: p.counts.at(-1)?.at ?? null,
    firstLook: p.firstLook,
  }
}
