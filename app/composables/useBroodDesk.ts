import type { BroodLine, ColonyBroods } from '#core/broods'
import { resolveGroup } from '#core/groups'
import type { Colony, Id } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import type { BroodOf } from '~/words/broods'

/** A colony with its broods, as rows of the calendar. */
export interface BroodColony {
  colony: Colony
  told: ColonyStatements
  rows: BroodOf[]
}

/** The row that is picked on the Broods place: a brood, or a hatch that is a colony of its own. */
export interface ChosenRow {
  brood?: string
  batch?: Id
}

/** What the Broods place stands on: all colonies that carry or lay, the soonest first, and the row that is picked. */
export function useBroodDesk(chosen: Ref<ChosenRow>) {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const followed = useAnimalsStore()
  const logSheet = useLogSheetStore()
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
  const picked = computed(
    () =>
      rows.value.find(r => keyOf(r) === chosen.value.brood) ??
      (chosen.value.batch === undefined ? rows.value[0] : null) ??
      null,
  )
  const colonyOf = (row: BroodOf) => colonies.value.find(c => c.colony.id === row.colonyId)!
  const groupOf = (row: BroodOf) => resolveGroup(colonyOf(row).colony)
  const pick = (row: BroodOf) => (chosen.value = { brood: keyOf(row) })
  const log = (row: BroodOf) => logSheet.show(row.colonyId, row.line.sign)
  const step = (by: number) => pickBeside(rows.value, picked.value, by, pick)
  return { nowMs, colonies, rows, bySoonest, picked, pick, log, step, keyOf, colonyOf, groupOf }
}
export type BroodDesk = ReturnType<typeof useBroodDesk>

/** Picks the row so many after the picked one, by the keys. */
export function pickBeside<T>(rows: readonly T[], picked: T | null, by: number, pick: (row: T) => void): void {
  const at = rows.findIndex(r => r === picked)
  const next = rows[Math.min(rows.length - 1, Math.max(0, at + by))]
  if (next) pick(next)
}
