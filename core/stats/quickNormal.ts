import { normalBelow, normalDensity } from './normal'

/** From −SPAN to SPAN, so many places to a unit. */
const SPAN = 9
const PARTS = 64
const PLACES = 2 * SPAN * PARTS + 1
const at = (i: number) => i / PARTS - SPAN
const below = /* @__PURE__ */ Float64Array.from({ length: PLACES }, (_, i) => normalBelow(at(i), 0, 1))
const density = /* @__PURE__ */ Float64Array.from({ length: PLACES }, (_, i) => normalDensity(at(i)))

/**
 * Share of a standard normal below z, by cubic interpolation with exact slopes: within 1e-9, and smooth, so that it can
 * be differentiated by small steps. Six times as fast as the exact one, for what asks it a million times.
 */
export function quickNormalBelow(z: number): number {
  const up = (z + SPAN) * PARTS
  if (!(up > 0)) return 0
  if (up >= PLACES - 1) return 1
  const i = up | 0
  const u = up - i
  const [a, b] = [below[i]!, below[i + 1]!]
  const [slopeA, slopeB] = [density[i]! / PARTS, density[i + 1]! / PARTS]
  const v = 1 - u
  return a * (1 + 2 * u) * v * v + slopeA * u * v * v + b * u * u * (3 - 2 * u) - slopeB * u * u * v
}
