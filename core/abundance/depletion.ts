/** Line of catch for each unit of effort against what is gone: where it meets nothing, all are caught. */
export interface DepletionEstimate {
  number: number
  /** share of the animals that one unit of effort catches */
  catchability: number
  /** standard error of the number; missing for fewer than three catches */
  standardError: number | null
}

/**
 * Number of animals from catches with differing effort that are set aside: Leslie's line of catch per effort on the
 * catch so far, or DeLury's of its logarithm on the effort so far.
 * Sources: Leslie & Davis (1939), J. Anim. Ecol. 8: 94; DeLury (1947), Biometrics 3: 145; with half of the present
 * catch or effort added as Ricker (1975), which is the choice here unless `ricker` is false.
 * @param catches and efforts, of equal length, two or more; efforts above 0
 * @returns null when the catch does not fall
 * @throws RangeError for lists that do not match
 */
export function depletion(
  catches: readonly number[],
  efforts: readonly number[],
  method: 'leslie' | 'deLury' = 'leslie',
  ricker = true,
): DepletionEstimate | null {
  if (catches.length < 2 || catches.length !== efforts.length)
    throw new RangeError(
      `catches and efforts must be two or more and as many, got ${catches.length} and ${efforts.length}`,
    )
  const half = ricker ? 0.5 : 0
  const x: number[] = []
  const y: number[] = []
  let gone = 0
  for (const [i, c] of catches.entries()) {
    const effort = efforts[i]!
    if (!(effort > 0)) throw new RangeError(`effort must be above 0, got ${effort}`)
    const size = method === 'leslie' ? c : effort
    x.push(gone + half * size)
    y.push(method === 'leslie' ? c / effort : Math.log(Math.max(c, 0.5) / effort))
    gone += size
  }
  const n = x.length
  const mx = x.reduce((a, b) => a + b, 0) / n
  const my = y.reduce((a, b) => a + b, 0) / n
  let sxx = 0
  let sxy = 0
  let syy = 0
  for (let i = 0; i < n; i++) {
    sxx += (x[i]! - mx) ** 2
    sxy += (x[i]! - mx) * (y[i]! - my)
    syy += (y[i]! - my) ** 2
  }
  const q = -sxy / sxx
  if (!(q > 0)) return null
  const at0 = my + q * mx
  const number = method === 'leslie' ? at0 / q : Math.exp(at0) / q
  const residual = n > 2 ? (syy - (sxy * sxy) / sxx) / (n - 2) : null
  // Ricker (1975), eq. 6.17: the error of where a line meets the axis
  const standardError =
    residual === null || method === 'deLury'
      ? null
      : Math.sqrt((residual / (q * q)) * (1 / n + (number - mx) ** 2 / sxx))
  return { number, catchability: q, standardError }
}
