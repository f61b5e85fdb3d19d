const MOST_STEPS = 100

/**
 * Where a rising function of one variable crosses nought between two bounds: regula falsi, in the form that does not
 * stick at one end (the Illinois algorithm; Dowell & Jarratt 1971, BIT 11: 168), and by halving where the function is
 * not finite.
 * @param f at or below nought at the lower bound, at or above it at the upper one; may be infinite
 * @param within the answer lies so near
 * @throws RangeError when the bounds are not in order
 * @example rootBetween(x => x * x - 2, 0, 2) // 1.41421356…
 */
export function rootBetween(f: (x: number) => number, low: number, high: number, within = 1e-12): number {
  if (!(low < high)) throw new RangeError(`the lower bound must lie under the upper one, got ${low} and ${high}`)
  let [a, b, fa, fb] = [low, high, f(low), f(high)]
  let side = 0
  for (let i = 0; i < MOST_STEPS && b - a > within; i++) {
    const crossing = (a * fb - b * fa) / (fb - fa)
    const x = crossing > a && crossing < b ? crossing : (a + b) / 2
    const fx = f(x)
    if (fx === 0) return x
    if (fx < 0) {
      ;[a, fa] = [x, fx]
      if (side === -1) fb /= 2
      side = -1
    } else {
      ;[b, fb] = [x, fx]
      if (side === 1) fa /= 2
      side = 1
    }
  }
  return (a + b) / 2
}
