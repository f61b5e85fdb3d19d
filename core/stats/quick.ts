/**
 * Exponential and logarithm from tables, right to fourteen digits: the engine’s own are right to the last and take
 * several times as long. Fewer would not do: sums of chances have to reach 1 as nearly as a uniform number comes to it.
 */

/** Powers of e from −SPAN to SPAN, so many to a unit. */
const SPAN = 40
const PARTS = 256
const MOST = 2 * SPAN * PARTS
const powers = /* @__PURE__ */ Float64Array.from({ length: MOST }, (_, i) => Math.exp(i / PARTS - SPAN))

/** e^x, with a relative error below 2e-14; beyond ±40 the engine’s own. */
export function quickExp(x: number): number {
  const up = (x + SPAN) * PARTS
  const cell = up | 0
  if (cell <= 0 || cell >= MOST) return Math.exp(x)
  // what is left is below 1/256: four terms of the series do
  const r = (up - cell) / PARTS
  return powers[cell]! * (1 + r * (1 + r * (1 / 2 + r * (1 / 6 + r / 24))))
}

const CELLS = 1024
const logs = /* @__PURE__ */ Float64Array.from({ length: CELLS + 1 }, (_, i) => Math.log1p(-i / (2 * CELLS)))
const inverses = /* @__PURE__ */ Float64Array.from({ length: CELLS + 1 }, (_, i) => 1 / (1 - i / (2 * CELLS)))

/**
 * log(1 − p), with an error below 1e-14.
 * @param p 0 to ½
 */
export function quickLogRest(p: number): number {
  const cell = (p * 2 * CELLS + 0.5) | 0
  // what is left is below 1/2048: four terms of the series do
  const d = (p - cell / (2 * CELLS)) * inverses[cell]!
  return logs[cell]! - d * (1 + d * (1 / 2 + d * (1 / 3 + d / 4)))
}
