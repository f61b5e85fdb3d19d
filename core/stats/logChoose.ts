import gammaln from '@stdlib/math-base-special-gammaln'

/** Logarithms of factorials, as far as they were asked for: most are asked for again and again. */
const factorials: number[] = [0]
const KEPT = 20_000

/** Logarithm of n factorial, for whole n. */
export function logFactorial(n: number): number {
  if (n > KEPT) return gammaln(n + 1)
  for (let k = factorials.length; k <= n; k++) factorials.push(factorials[k - 1]! + Math.log(k))
  return factorials[n]!
}

/** Logarithm of the number of ways to choose k of n. */
export const logChoose = (n: number, k: number): number => logFactorial(n) - logFactorial(k) - logFactorial(n - k)
