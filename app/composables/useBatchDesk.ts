import { type BatchTold, type SaltStep, wayBack } from '#core/batches'
import { restedMs } from '#core/care'
import { resolveGroup } from '#core/groups'
import { type Colony, type EggLot, momentMs } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { pickBeside, type ChosenRow } from './useBroodDesk'

/** A colony that is one hatch, as a row of the time line. */
export interface BatchRow {
  colony: Colony
  told: ColonyStatements
  batch: BatchTold
  /** salt of larvae: up after the hatch, and the way back once nearly all have settled */
  salt: readonly SaltStep[]
}
/** A lot of dry eggs in its rest. */
export interface LotRow {
  lot: EggLot
  sinceMs: number
  restedMs: number
}

/** Rearings, pools and dry eggs of the room, in the order of what comes next, and the row that is picked. */
export function useBatchDesk(chosen: Ref<ChosenRow>) {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const logSheet = useLogSheetStore()
  const nowMs = computed(() => statements.now.getTime())
  const rows = computed<BatchRow[]>(() =>
    statements.inRoom
      .flatMap(told => {
        const { batch, salt } = told
        const colony = room.colonyById.get(told.colonyId)
        if (!colony || !batch) return []
        const last = batch.arrive.nearly
        const back = last && salt.length > 0 ? wayBack(resolveGroup(colony), last.value, salt.at(-1)!.gKg) : []
        return [{ colony, told, batch, salt: [...salt, ...back] }]
      })
      .toSorted((a, b) => a.batch.hatch.value - b.batch.hatch.value),
  )
  const lots = computed<LotRow[]>(() =>
    room.eggLots
      .map(lot => ({ lot, sinceMs: momentMs(lot.drySince), restedMs: restedMs(lot) }))
      .toSorted((a, b) => a.restedMs - b.restedMs),
  )
  const picked = computed(() => rows.value.find(r => r.colony.id === chosen.value.batch) ?? null)
  const pick = (row: BatchRow) => (chosen.value = { batch: row.colony.id })
  const log = ({ colony, batch }: BatchRow) => logSheet.show(colony.id, batch.kind === 'larvae' ? 'larvae' : 'young')
  const step = (by: number) => pickBeside(rows.value, picked.value, by, pick)
  return { nowMs, rows, lots, picked, pick, log, step }
}
export type BatchDesk = ReturnType<typeof useBatchDesk>
