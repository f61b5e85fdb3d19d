import { logChoose } from '#core/stats'

/** One look at the animals: how many were seen, and what is known of the share that such a look finds. */
export interface LookAt {
  seen: number
  /** share of those there that is found, in the middle */
  share: number
  /** how much that share differs from look to look, on the log scale */
  sdLog: number
}

/**
 * Shares that the mean over a look's share is taken at, in its standard deviations, and their weights. Evenly spaced
 * and close: few and far between, each would be a lump of its own where the binomial part is narrow.
 */
const NODES = Array.from({ length: 13 }, (_, k) => (k - 6) / 2)
const BELL = NODES.map(z => Math.exp((-z * z) / 2))
const WEIGHTS = BELL.map(w => w / BELL.reduce((a, b) => a + b, 0))

/** From here on a share draws near to all without reaching it: an animal behind a leaf is always possible. */
const NEARLY = 0.9
const within = (share: number) =>
  share <= NEARLY ? share : 1 - (1 - NEARLY) * Math.exp((NEARLY - share) / (1 - NEARLY))
/**
 * Where all are found some may be counted twice: so often are more seen than there are, and each further one is rarer
 * by as much again, the more readily the more there are (from memory). Where there are none, that seldom is one seen.
 */
const TWICE = { chance: 0.15, share: 0.04 }
/** Of many, more than there are are seen by about so much, on the log scale (from memory). */
const TWICE_SD = 0.05
/** So few are reckoned exactly; of more, the curve says the same. */
export const FEW = 30

/**
 * Chance to see so many of a number: a binomial part of those there, with a share that itself has a spread. More than
 * are there are seen only by counting some twice. Few are summed exactly, for more a normal curve of the logarithm
 * stands in.
 * @param n animals there, whole
 * @param luck how far this glass's own share lies from the usual, on the log scale
 * @example lookChance(10, { seen: 0, share: 0.5, sdLog: 0 }) // 2⁻¹⁰
 */
export function lookChance(n: number, look: LookAt, luck = 0): number {
  return look.seen <= FEW ? exactly(n, look, luck) : byCurve(n, look, luck)
}

function byCurve(n: number, { seen, share, sdLog }: LookAt, luck: number): number {
  const off = Math.log(seen / share / Math.max(n, 0.5)) - luck
  const part = within(share * Math.exp(luck))
  const variance = sdLog * sdLog + (1 - part) / Math.max(n * part, 1)
  // what is seen is a floor: beyond it the curve is cut off, and what is left of it is stretched to a whole
  const under = below(Math.log(n / seen) / TWICE_SD)
  const whole = below((-Math.log(share) - luck) / Math.sqrt(variance + TWICE_SD * TWICE_SD))
  const height = Math.exp((-off * off) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance) / seen
  return (height * under) / Math.max(whole, 0.02)
}

/** Share of a standard normal below z, within a hundredth (logistic curve; Bowling et al. 2009, from memory). */
const below = (z: number) => 1 / (1 + Math.exp(Math.max(-40, -1.702 * z)))

function exactly(n: number, { seen, share, sdLog }: LookAt, luck: number): number {
  if (seen < n) return found(n, seen, share * Math.exp(luck), sdLog)
  const all = found(n, n, share * Math.exp(luck), sdLog)
  const twice = n > 0 ? TWICE.chance : TWICE.chance * TWICE.share
  const each = Math.min(0.5, TWICE.share * n)
  return seen === n ? all * (1 - twice) : all * twice * (1 - each) * each ** (seen - n - 1)
}

function found(n: number, k: number, share: number, sdLog: number): number {
  if (sdLog === 0) return binomial(n, k, within(share))
  let sum = 0
  for (let node = 0; node < NODES.length; node++)
    sum += WEIGHTS[node]! * binomial(n, k, within(share * Math.exp(sdLog * NODES[node]!)))
  return sum
}

const binomial = (n: number, k: number, p: number): number =>
  Math.exp(logChoose(n, k) + k * Math.log(p) + (n - k) * Math.log1p(-p))

/** Where the chance of a number has fallen to this share of the best, larger numbers are no longer looked at. */
const NEGLIGIBLE = 1e-6

/**
 * The range of numbers that a look speaks for, where every magnitude is as likely beforehand: by 1/(n + 1), which does
 * not rule out that there are none.
 * @param level of the range
 * @returns whole animals; exact also where none or few were seen
 */
export function lookRange(look: LookAt, level: number): { value: number; low: number; high: number } {
  const chances: number[] = []
  let best = 0
  let sum = 0
  for (let n = 0; n < 20 * (look.seen + 1) + 400 / look.share; n++) {
    const chance = lookChance(n, look) / (n + 1)
    chances.push(chance)
    sum += chance
    best = Math.max(best, chance)
    if (n > look.seen && chance < NEGLIGIBLE * best) break
  }
  const quantile = (p: number) => {
    let passed = 0
    return chances.findIndex(c => (passed += c) >= p * sum)
  }
  return { value: quantile(0.5), low: quantile((1 - level) / 2), high: quantile((1 + level) / 2) }
}
