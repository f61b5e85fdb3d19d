import type { BatchTold } from '#core/batches'
import type { Entry } from '#core/records'
import type { ValueVerdict } from '#core/water'

/** What goes wrong in pools of dry eggs. */
export type PoolTrouble = 'noHatch' | 'stringAlgae' | 'ammonia' | 'fewGrown'

/** So sure that nothing hatched, and so few of the hatched that come to be grown (from memory), is trouble. */
const SURE_NONE = 0.5
const FEW_GROWN = 0.2

/**
 * What went wrong in a pool, the first cause first.
 * @param glassEntries standing entries of its water since the flood
 */
export function poolTroubles(
  batch: BatchTold,
  values: readonly ValueVerdict[],
  glassEntries: readonly Entry[],
): PoolTrouble[] {
  if (batch.kind !== 'pool') return []
  const poisoned = values.some(
    v => (v.key === 'ammoniaMgL' || v.key === 'nitriteMgL') && (v.state === 'off' || v.state === 'drifting'),
  )
  const strings = glassEntries.some(e => e.kind === 'pest' && e.what === 'stringAlgae')
  const told: [boolean, PoolTrouble][] = [
    [batch.none > SURE_NONE, 'noHatch'],
    [strings, 'stringAlgae'],
    [poisoned, 'ammonia'],
    [batch.none < SURE_NONE && batch.lives.high < FEW_GROWN, 'fewGrown'],
  ]
  return told.flatMap(([is, trouble]) => (is ? [trouble] : []))
}
