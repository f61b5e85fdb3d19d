import type { Moment } from '#core/records'

/** A number over time, oldest first. */
type Series = readonly { at: number; value: number }[]

/**
 * Grown animals of several colonies together at some moments, as each of them was last known before; to two figures,
 * so that what follows from it is not told anew for each little change.
 * @returns nothing for a moment before all of them
 */
export function grownTogether(colonies: readonly Series[], moments: readonly Moment[]) {
  return [...new Set(moments)].toSorted().flatMap(moment => {
    const atMs = Date.parse(moment)
    const known = colonies.flatMap(series => series.findLast(p => p.at <= atMs)?.value ?? [])
    return known.length > 0 ? [{ atMs, number: Number(known.reduce((a, b) => a + b, 0).toPrecision(2)) }] : []
  })
}
