import type { BatchTold, SaltStep } from '#core/batches'
import { restedMs } from '#core/care'
import { type Colony, type EggLot, momentMs } from '#core/records'

/** A colony that is one hatch, as a row of the time line. */
export interface BatchRow {
  colony: Colony
  batch: BatchTold
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
        return colony && batch ? [{ colony, batch, salt }] : []
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
