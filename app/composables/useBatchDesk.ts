import { type BatchTold, type SaltStep, wayBack } from '#core/batches'
import { restedMs } from '#core/care'
import { resolveGroup } from '#core/groups'
import { type Colony, type EggLot, momentMs } from '#core/records'

/** A colony that is one hatch, as a row of the time line. */
export interface BatchRow {
  colony: Colony
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

/** Rearings, pools and dry eggs of the room, in the order of what comes next. */
export function useBatchDesk() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const nowMs = computed(() => statements.now.getTime())
  const rows = computed<BatchRow[]>(() =>
    statements.inRoom
      .flatMap(({ colonyId, batch, salt }) => {
        const colony = room.colonyById.get(colonyId)
        if (!colony || !batch) return []
        const last = batch.arrive.nearly
        const back = last && salt.length > 0 ? wayBack(resolveGroup(colony), last.value, salt.at(-1)!.gKg) : []
        return [{ colony, batch, salt: [...salt, ...back] }]
      })
      .toSorted((a, b) => a.batch.hatch.value - b.batch.hatch.value),
  )
  const lots = computed<LotRow[]>(() =>
    room.eggLots
      .map(lot => ({ lot, sinceMs: momentMs(lot.drySince), restedMs: restedMs(lot) }))
      .toSorted((a, b) => a.restedMs - b.restedMs),
  )
  return { nowMs, rows, lots }
}
export type BatchDesk = ReturnType<typeof useBatchDesk>
