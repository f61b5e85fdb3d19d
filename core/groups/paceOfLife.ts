import type { ResolvedGroup } from './resolve'

/**
 * Factor on the pace of life at a temperature: q10 to the power of the difference over ten degrees. Times of
 * development are divided by it, hazards multiplied. Source: definition of Q10 (van 't Hoff 1884).
 */
export const paceAt = (q10: number, temperatureC: number, referenceC: number): number =>
  q10 ** ((temperatureC - referenceC) / 10)

/** Temperature for which a group's growth is meant: the middle of its (or its school's) preferred range. */
export function preferredC(resolved: Pick<ResolvedGroup, 'targets'>): number {
  const { preferred } = resolved.targets.temperatureC ?? { preferred: [22, 24] }
  return (preferred[0] + preferred[1]) / 2
}
