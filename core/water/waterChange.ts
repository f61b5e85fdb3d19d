/**
 * Concentration after a change: c' = (1 − f)c + f·c_new, for anything that mixes and is conserved.
 * @param current in the glass before
 * @param share of the water that is exchanged, 0 to 1
 * @param added in the new water
 * @throws RangeError for a share outside 0 to 1
 */
export function afterChange(current: number, share: number, added: number): number {
  if (!(share >= 0 && share <= 1)) throw new RangeError(`share must lie in 0 to 1, got ${share}`)
  return (1 - share) * current + share * added
}

/**
 * What the new water must hold so that a change moves the glass by a step.
 * @param current in the glass before
 * @param step wanted change, of either sign
 * @param share of the water that is exchanged, above 0
 * @returns concentration of the new water; negative when even pure water does not lower it that far
 * @throws RangeError for a share outside (0, 1]
 */
export function waterForStep(current: number, step: number, share: number): number {
  if (!(share > 0 && share <= 1)) throw new RangeError(`share must lie above 0 and at most 1, got ${share}`)
  return current + step / share
}
