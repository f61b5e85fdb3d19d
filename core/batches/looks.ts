import gammaln from '@stdlib/math-base-special-gammaln'
import { normalBelow } from '#core/stats'
import type { BatchLaw } from './law'
import { type Course, type Standing, standingAt } from './course'

/** Something that was seen of a hatch, on a day of its clock. */
export type BatchLook = { day: number } & (
  | {
      kind: 'sample'
      /** animals of each stage in the sample */
      numbers: readonly number[]
      /** share of the water that was looked through; null where nobody measured it */
      share: number | null
    }
  /** all that were there, as they were counted or guessed */
  | { kind: 'total'; number: number; sdLog: number }
  /** some were there */
  | { kind: 'some' }
  /** found dead */
  | { kind: 'dead'; number: number }
  /** taken out */
  | { kind: 'out'; number: number }
)

/** They stand in clouds: a sample strays by more than chance (from memory). */
const CLOUDS = 0.2
/** So many animals is a sample worth as to how its stages mix (from memory): neighbours are of one age. */
const MIX_WORTH = 40
/** Least share of a stage that a look may be mistaken in. */
const MISTAKEN = 0.004
/** How roughly the dead of a tub, and the settled of which some are still hidden, hold against a course. */
const DEAD_SD = 0.6
const OUT_SD = 0.15

/** Taken out by a day. */
export const outBy = (looks: readonly BatchLook[], day: number): number =>
  looks.reduce((sum, l) => sum + (l.kind === 'out' && l.day <= day ? l.number : 0), 0)

/**
 * Those that are there on a day, by stage: what was taken out is gone, the furthest on first, since they are what is
 * picked.
 */
export function leftAfter({ alive }: Standing, out: number): number[] {
  const left = [...alive]
  for (let stage = left.length - 1, rest = out; stage >= 0 && rest > 0; stage--) {
    const gone = Math.min(rest, left[stage]!)
    left[stage] = left[stage]! - gone
    rest -= gone
  }
  return left
}

/** What looks say of courses: how likely they would be seen on one. */
export function lookChances(law: BatchLaw, looks: readonly BatchLook[]): (course: Course) => number {
  const outs = looks.map(l => outBy(looks, l.day))
  return course => {
    let sum = 0
    for (const [i, look] of looks.entries()) {
      const standing = standingAt(law, course, look.day)
      sum += logChance(look, standing, outs[i]!)
      if (sum === -Infinity) return sum
    }
    return sum
  }
}

/** Less than this is as good as nothing, but no look rules a course out for good: somebody may have slipped. */
const SLIP = 1e-6
const floored = (chance: number) => Math.log(Math.max(SLIP, chance))

function logChance(look: BatchLook, standing: Standing, out: number): number {
  switch (look.kind) {
    case 'out': {
      // who was taken out was there: those of the last stage, or any where the hatch is younger
      const came = standing.arrived > 0 ? standing.arrived : sumOf(standing.alive)
      return floored(normalBelow(Math.log(Math.max(came, 0.1) / out), 0, OUT_SD))
    }
    case 'dead':
      return floored(normalBelow(Math.log(Math.max(standing.dead, 0.1) / look.number), 0, DEAD_SD))
    case 'some':
      return floored(-Math.expm1(-sumOf(leftAfter(standing, out))))
    case 'total': {
      const there = sumOf(leftAfter(standing, out))
      if (look.number === 0) return Math.max(-there * 0.7, Math.log(SLIP))
      const off = Math.log(look.number / Math.max(there, 0.1)) / look.sdLog
      return Math.max((-off * off) / 2, Math.log(SLIP))
    }
    case 'sample':
      return logSample(look.numbers, leftAfter({ ...standing, alive: standing.judged }, out), look.share)
  }
}

const sumOf = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

/**
 * A sample of stages: how many in all (negative binomial, where the share is known) and how they mix
 * (Dirichlet-multinomial). Source: Johnson, Kotz & Balakrishnan (1997), Discrete Multivariate Distributions, ch. 35.
 */
function logSample(numbers: readonly number[], left: readonly number[], share: number | null): number {
  const seen = sumOf(numbers)
  const there = Math.max(sumOf(left), 1e-6)
  let log = share === null ? 0 : logNegativeBinomial(seen, there * share, 1 / CLOUDS)
  if (seen === 0) return log
  log += gammaln(MIX_WORTH) - gammaln(MIX_WORTH + seen)
  const even = 1 / left.length
  for (const [k, n] of numbers.entries()) {
    if (n === 0) continue
    const a = MIX_WORTH * ((1 - left.length * MISTAKEN) * (left[k]! / there) + left.length * MISTAKEN * even)
    log += gammaln(a + n) - gammaln(a)
  }
  return log
}

const logNegativeBinomial = (n: number, mean: number, size: number): number =>
  gammaln(n + size) -
  gammaln(size) -
  gammaln(n + 1) +
  size * Math.log(size / (size + mean)) +
  (n > 0 ? n * Math.log(mean / (size + mean)) : 0)
