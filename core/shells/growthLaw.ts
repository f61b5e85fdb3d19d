import { preferredC, type ResolvedGroup } from '#core/groups'
import { type GrowthCurve, curveFrom } from './vonBertalanffy'

/**
 * How the animals of a group grow, before one of them was measured: full size and pace are log-normal about the
 * group's. Weeks are those at the reference temperature.
 */
export interface GrowthLaw {
  hatchMm: number
  breedsMm: number
  mostMm: number
  k: number
  /** spread from animal to animal, on the log scale */
  mostSd: number
  kSd: number
  q10: number
  referenceC: number
}

/** Full sizes of one group differ by an eighth, and the pace by a quarter (from memory). */
const MOST_SD = 0.12
const PACE_SD = 0.25

/**
 * The growth of a group: it hatches at one size and breeds at another at the end of its young weeks, so that sizes and
 * stages tell the same.
 * @returns null for animals that nobody measures
 */
export function growthLaw(resolved: Pick<ResolvedGroup, 'group' | 'targets'>): GrowthLaw | null {
  const { sizes, stages } = resolved.group
  if (!sizes) return null
  const [hatchMm, breedsMm, mostMm] = [sizes.hatchMm.value, sizes.breedsMm.value, sizes.mostMm.value]
  const weeks = stages.firstWeeks.value + stages.youngWeeks.value
  return {
    ...{ hatchMm, breedsMm, mostMm },
    k: Math.log((mostMm - hatchMm) / (mostMm - breedsMm)) / weeks,
    ...{ mostSd: MOST_SD, kSd: PACE_SD, q10: stages.q10.value, referenceC: preferredC(resolved) },
  }
}

/** The curve of a group's usual animal. */
export const usualCurve = ({ hatchMm, mostMm, k }: GrowthLaw): GrowthCurve => curveFrom(hatchMm, mostMm, k)

/** Standard deviation of a size that was read off a ruler or a scale of millimetres (from memory). */
export const readingSd = (mm: number): number => Math.hypot(0.4, 0.03 * mm)

/** An animal keeps to its curve within so much of what it has grown: it has good weeks and bad ones (from memory). */
const OFF_CURVE = 0.08
/** Standard deviation of a size about its animal's curve, as it was read. */
export const sizeSd = (mm: number): number => Math.hypot(readingSd(mm), OFF_CURVE * mm)
/** The first weeks after the hatch go slower or faster than the curve: an age read off it errs by so much of itself. */
export const START_SD = 0.12
/** Weeks ahead go faster or slower than the weeks so far, on the log scale (from memory). */
export const PACE_AHEAD_SD = 0.3
