import { batchBelief, batchLaw, type BatchSeen, readBatch } from '#core/batches'
import { type Colony, DAY_MS, type Entry, toMoment } from '#core/records'
import { entryOf, nextId, NOW } from '../../make'
import { heads, resolvedOf } from '../population/questions'

export const at = (days: number) => NOW - days * DAY_MS
export const colonyId = nextId()
export const elsewhere = nextId()
export const larvaLaw = batchLaw(resolvedOf('amphidromous-shrimp'), { form: 'rearing', founders: heads({}) })!
export const poolLaw = batchLaw(resolvedOf('pool-branchiopod'), { form: 'batch', founders: heads({}) })!
/** Beliefs of a hatch that began so many days ago, at the group's own temperature. */
export const believed = (looks: BatchSeen[], days = 14, law = larvaLaw) =>
  batchBelief({ law, beganMs: at(days), looks, temperatures: [], seed: 5, nowMs: NOW })
export const about = (kind: Entry['kind'], days: number, more: object = {}): Entry =>
  entryOf(kind, days, { colonyId, ...more })
export const sample = (days: number, numbers: readonly number[], litres?: number): Entry => {
  const [early = 0, middle = 0, late = 0, settled = 0] = numbers
  return about('larvae', days, { sample: { early, middle, late, settled }, ...(litres && { sampleL: litres }) })
}
/** What is told of a rearing of 10 L, or of a pool. */
export const told = (
  entries: readonly Entry[],
  days = 14,
  more: { groupId?: string; young?: number; celsius?: number; rough?: boolean; colony?: Partial<Colony> } = {},
) => {
  const { groupId = 'amphidromous-shrimp', young = 0, celsius } = more
  const form = groupId === 'pool-branchiopod' ? ('batch' as const) : ('rearing' as const)
  return readBatch({
    resolved: resolvedOf(groupId, { form }),
    colony: { id: colonyId, form, founders: heads({ young }), startedAt: toMoment(at(days)), ...more.colony },
    entries: entries.toSorted((a, b) => (a.at < b.at ? -1 : 1)),
    temperatures: celsius === undefined ? [] : [60, 40, 20, 10, 1].map(d => ({ at: at(d), value: celsius })),
    netL: 10,
    nowMs: NOW,
    ...(more.rough && { rough: true }),
  })!.told
}
