import gammaln from '@stdlib/math-base-special-gammaln'

/** What several counts of the same animals on the same day say of their number. */
export interface RepeatedEstimate {
  mean: number
  sd: number
  low: number
  high: number
  /** share seen in one count */
  share: number
  /**
   * set when the counts scatter so much, or so little, that they tell hardly more of the share than was known before
   */
  weak: boolean
}

const logBeta = (a: number, b: number) => gammaln(a) + gammaln(b) - gammaln(a + b)
const logChoose = (n: number, k: number) => gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1)

/**
 * Number from repeated counts: each finds a binomial part of the same animals. How much the counts scatter tells what
 * part: many found each time scatter little. Counts alone can leave both number and share open (the likelihood then
 * rises without end as the share falls), so what is known of the share goes in as a beta distribution.
 * Source: Olkin, Petkau & Zidek (1981), J. Am. Stat. Assoc. 76: 637; beta-binomial marginal as Carroll & Lombard
 * (1985), ibid. 80: 423; the flag is the moment test of Royle (2004), Biometrics 60: 108.
 * @param counts two or more, all of the same day
 * @param share what is known of the share: mean and standard deviation, inside 0 to 1
 * @param level of the range
 * @throws RangeError for fewer than two counts
 */
export function repeatedCounts(
  counts: readonly number[],
  share: { mean: number; sd: number },
  level: number,
): RepeatedEstimate {
  if (counts.length < 2) throw new RangeError(`counts must be two or more, got ${counts.length}`)
  const strength = Math.max(2, (share.mean * (1 - share.mean)) / (share.sd * share.sd) - 1)
  const a = share.mean * strength
  const b = (1 - share.mean) * strength
  const k = counts.length
  const sum = counts.reduce((s, c) => s + c, 0)
  const top = Math.max(...counts)
  const weight = (n: number) =>
    counts.reduce((l, c) => l + logChoose(n, c), 0) + logBeta(a + sum, b + k * n - sum) - Math.log(Math.max(n, 1))
  const numbers: number[] = []
  const logs: number[] = []
  let best = -Infinity
  for (let n = top; n <= top * 12 + 60; n++) {
    const l = weight(n)
    numbers.push(n)
    logs.push(l)
    best = Math.max(best, l)
    if (l < best - 25) break
  }
  let total = 0
  for (const l of logs) total += Math.exp(l - best)
  let mean = 0
  let square = 0
  const quantiles = [(1 - level) / 2, (1 + level) / 2]
  const found: number[] = []
  let cumulated = 0
  for (const [i, n] of numbers.entries()) {
    const p = Math.exp(logs[i]! - best) / total
    mean += n * p
    square += n * n * p
    cumulated += p
    while (found.length < 2 && cumulated >= quantiles[found.length]!) found.push(n)
  }
  const average = sum / k
  const variance = counts.reduce((s, c) => s + (c - average) ** 2, 0) / (k - 1)
  return {
    mean,
    sd: Math.sqrt(Math.max(0, square - mean * mean)),
    low: found[0]!,
    high: found[1] ?? numbers.at(-1)!,
    share: average / mean,
    weak: variance >= average || k < 3,
  }
}
