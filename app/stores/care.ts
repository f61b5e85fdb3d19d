import { defineStore } from 'pinia'
import {
  CARE_LOG_DAYS,
  type ColonyCare,
  type Due,
  type DueItem,
  dueState,
  type GlassCare,
  itemsOfGlass,
  levelEffort,
  schedule,
} from '#core/care'
import { resolveGroup } from '#core/groups'
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
import { breathe } from '~/workers/breathe'
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
  // the shared clock ticks by the minute: what was logged since the last tick has happened too
  const nowMs = computed(() => (log.value, Math.max(statements.now.getTime(), Date.now())))
  const dayEndMs = computed(() => deviceDayEnd(nowMs.value))

  const entriesOf = useStandingEntries(log)
  const { careOf, items, ready } = useItems({ read, entriesOf, nowMs })
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
  /** Changes how the room's care is laid out; with words, the notice undoes it. */
  async function change(part: Partial<RoomCare>, words?: string) {
    if (room.room) await save('rooms', { ...toRaw(room.room), care: { ...settings.value, ...part } }, words)
  }
  return {
    ready,
    log,
    nowMs,
    dayEndMs,
    entriesOf,
    glassCare: careOf,
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

/** What the log of the room's care is read from. */
interface CareLog {
  read: Ref<boolean>
  entriesOf: (id: string) => readonly Entry[]
  nowMs: Ref<number>
}
/** Everything that there is to do, each with its next day. */
function useItems({ read, entriesOf, nowMs }: CareLog) {
  const room = useRoomStore()
  const careOf = useGlassCare(entriesOf)
  const itemsOf = useByKey(glassId => {
    const glass = careOf(glassId)
    return glass ? itemsOfGlass(glass, nowMs.value) : []
  })
  const ready = useOnceReckoned(read, itemsOf)
  const items = computed(() =>
    ready.value
      ? schedule(
          {
            roomId: room.room?.id ?? '',
            marks: entriesOf(ROOM),
            glasses: room.glasses.flatMap(g => careOf(g.id) ?? []),
            plans: room.plans,
            eggLots: room.eggLots,
            bench: room.room?.bench ?? usualBench,
            nowMs: nowMs.value,
          },
          g => itemsOf(g.glass.id),
        )
      : [],
  )
  return { careOf, items, ready }
}

/**
 * Whether the list stands: the room is told, its log is read, and its glasses were reckoned one after the other, with a
 * breath between, because all at once would hold the page up. After that a colony that joins keeps nobody waiting.
 */
function useOnceReckoned(read: Ref<boolean>, itemsOf: (glassId: string) => unknown): Ref<boolean> {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const reckoned = ref(false)
  const told = computed(() => room.ready && read.value && (statements.complete || statements.failed !== ''))
  void until(told)
    .toBe(true)
    .then(async () => {
      for (const glass of room.glasses) {
        itemsOf(glass.id)
        await breathe()
      }
      reckoned.value = true
    })
  return reckoned
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

/** A glass with who lives in it and what their log and statements say; anew only when something of that was. */
function useGlassCare(entriesOf: (id: string) => readonly Entry[]): (glassId: string) => GlassCare | null {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const groupOf = useByKey(colonyId => resolveGroup(room.colonyById.get(colonyId)!))
  const { grownIn, halfNewIn } = useBreeding()
  const follows = (colony: Colony) => ({
    colony,
    entries: entriesOf(colony.id),
    told: statements.of(colony.id),
    grownMs: grownIn(colony),
    halfNewMs: halfNewIn(colony, entriesOf(colony.id)),
  })
  function colonyCare({ colony, entries, told, grownMs, halfNewMs }: ReturnType<typeof follows>): ColonyCare {
    return {
      colony,
      group: groupOf(colony.id),
      entries,
      numbers: told && numbersOf(told),
      broods: told?.broods ?? null,
      batch: told?.batch ?? null,
      salt: told?.salt ?? [],
      grownMs,
      halfNewMs,
      limbs: told?.molts?.limbs ?? [],
      // nothing of the water is due before it is judged: "never tested" would be untrue
      values: told?.water.values ?? [],
    }
  }
  const held = useByKey<{ from: unknown[]; care: GlassCare } | null>((glassId, before) => {
    const glass = room.glassById.get(glassId)
    if (!glass) return null
    const entries = entriesOf(glassId)
    const colonies = (room.coloniesByGlass.get(glassId) ?? []).map(follows)
    const from = [glass, entries, ...colonies.flatMap(c => [c.colony, c.entries, c.told, c.grownMs, c.halfNewMs])]
    if (before && before.from.length === from.length && before.from.every((part, i) => part === from[i])) return before
    return { from, care: { glass, netL: netLitres(glass), colonies: colonies.map(colonyCare), entries } }
  })
  return glassId => held(glassId)?.care ?? null
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

function numbersOf({ population: p, molts }: ColonyStatements): ColonyCare['numbers'] {
  return {
    value: p.now.value,
    low: p.now.low,
    high: p.now.high,
    ifCounted: p.ifCountedToday,
    lastCountMs: p.counts.at(-1)?.at ?? null,
    firstLook: p.firstLook,
    asks: p.asks !== null,
    dyingSinceMs: p.deaths.alarm ? p.deaths.sinceMs : (molts?.watch.trouble?.fromMs ?? null),
  }
}
