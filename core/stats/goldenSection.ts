const RATIO = (Math.sqrt(5) - 1) / 2
const SCAN = 60

/**
 * Where a function of one variable is least between two bounds: a scan finds the valley, golden sections its floor
 * (Kiefer 1953, Proc. Am. Math. Soc. 4: 502).
 * @param f finite between the bounds
 * @param within the answer lies so near, relative to the bounds' distance
 * @throws RangeError when the bounds are not in order
 */
export function leastBetween(f: (x: number) => number, low: number, high: number, within = 1e-10): number {
  if (!(low < high)) throw new RangeError(`the lower bound must lie under the upper one, got ${low} and ${high}`)
  const step = (high - low) / SCAN
  let best = 0
  for (let i = 1; i <= SCAN; i++) if (f(low + i * step) < f(low + best * step)) best = i
  let [a, b] = [Math.max(low, low + (best - 1) * step), Math.min(high, low + (best + 1) * step)]
  let [c, d] = [b - RATIO * (b - a), a + RATIO * (b - a)]
  let [fc, fd] = [f(c), f(d)]
  while (b - a > within * (high - low)) {
    if (fc < fd) {
      ;[b, d, fd] = [d, c, fc]
      c = b - RATIO * (b - a)
      fc = f(c)
    } else {
      ;[a, c, fc] = [c, d, fd]
      d = a + RATIO * (b - a)
      fd = f(d)
    }
  }
  return (a + b) / 2
}
