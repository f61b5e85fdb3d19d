import type { BroodLine, ColonyBroods } from '#core/broods'
import { resolveGroup } from '#core/groups'
import type { Colony } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import type { BroodOf } from '~/words/broods'

/** A colony with its broods, as rows of the calendar. */
export interface BroodColony {
  colony: Colony
  told: ColonyStatements
  rows: BroodOf[]
}

/** What the Broods place stands on: all colonies that carry or lay, the soonest first, and the row that is picked. */
export function useBroodDesk() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const followed = useAnimalsStore()
  const atHand = useAtHand()
  const nowMs = computed(() => statements.now.getTime())
  const rowOf = (colony: Colony, broods: ColonyBroods, line: BroodLine): BroodOf => ({
    ...{ colonyId: colony.id, name: colony.name, broods, line },
    who: line.who && followed.nameOf(line.who),
  })
  const colonies = computed<BroodColony[]>(() =>
    statements.inRoom
      .flatMap(told => {
        const colony = room.colonyById.get(told.colonyId)
        const { broods } = told
        if (!colony || !broods || broods.lines.length === 0) return []
        return [{ colony, told, rows: broods.lines.map(line => rowOf(colony, broods, line)) }]
      })
      .toSorted((a, b) => a.rows[0]!.line.hatch.likelyMs - b.rows[0]!.line.hatch.likelyMs),
  )
  const rows = computed(() => colonies.value.flatMap(c => c.rows))
  const bySoonest = computed(() => rows.value.toSorted((a, b) => a.line.hatch.likelyMs - b.line.hatch.likelyMs))
  const keyOf = (row: BroodOf) => `${row.colonyId} ${row.line.key}`
  const chosen = ref('')
  const picked = computed(() => rows.value.find(r => keyOf(r) === chosen.value) ?? rows.value[0] ?? null)
  const colonyOf = (row: BroodOf) => colonies.value.find(c => c.colony.id === row.colonyId)!
  const groupOf = (row: BroodOf) => resolveGroup(colonyOf(row).colony)
  // L logs for the colony of the row
  watch(picked, row => (atHand.value = row?.colonyId ?? ''), { immediate: true })
  onBeforeUnmount(() => (atHand.value = ''))
  const pick = (row: BroodOf) => (chosen.value = keyOf(row))
  /** The row so many after the picked one, by the keys. */
  function step(by: number) {
    const at = rows.value.findIndex(r => r === picked.value)
    const next = rows.value[Math.min(rows.value.length - 1, Math.max(0, at + by))]
    if (next) pick(next)
    return next
  }
  return { nowMs, colonies, rows, bySoonest, picked, pick, step, keyOf, colonyOf, groupOf }
}
export type BroodDesk = ReturnType<typeof useBroodDesk>
