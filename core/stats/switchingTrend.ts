import { type TrendBelief, type TrendNoise, trendAfter, trendFrom, trendSeen } from './dampedTrend'

/** A level that is steady or moves: what is believed in each case, and the chance that it moves. */
export interface SwitchingBelief {
  steady: TrendBelief
  moving: TrendBelief
  moves: number
}

/** How the level lives in each case, and how often it goes from one to the other. */
export interface SwitchingNoise {
  steady: TrendNoise
  moving: TrendNoise
  /** mean time until a steady one begins to move, and until a moving one is steady again, > 0 */
  steadyFor: number
  movesFor: number
  /** chance that it leapt between two readings, and the standard deviation of leaps */
  leaps: number
  leapSd: number
}

/** Belief after a first reading: as often moving as it is in the long run. */
export const switchingFrom = (value: number, sd: number, noise: SwitchingNoise): SwitchingBelief => ({
  steady: trendFrom(value, sd, noise.steady),
  moving: trendFrom(value, sd, noise.moving),
  moves: noise.movesFor / (noise.movesFor + noise.steadyFor),
})

/** Each case carried forward, without going over from one to the other. */
export const goingOn = (b: SwitchingBelief, time: number, noise: SwitchingNoise): SwitchingBelief => ({
  steady: trendAfter(b.steady, time, noise.steady),
  moving: trendAfter(b.moving, time, noise.moving),
  moves: b.moves,
})

/**
 * Carries a belief forward through time in which it may have gone over from one case to the other: two interacting
 * models (Blom & Bar-Shalom 1988). What goes over keeps its level and begins with a slope that nothing is known of; the
 * two ways into a case are merged by their moments.
 */
export function switchingAfter(b: SwitchingBelief, time: number, noise: SwitchingNoise): SwitchingBelief {
  const often = noise.movesFor / (noise.movesFor + noise.steadyFor)
  const gone = 1 - Math.exp(-time * (1 / noise.movesFor + 1 / noise.steadyFor))
  const starts = often * gone
  const stops = (1 - often) * gone
  const moves = b.moves * (1 - stops) + (1 - b.moves) * starts
  const begun: TrendBelief = { ...b.steady, slope: 0, cov: 0, slopeVar: noise.moving.slopeSd ** 2 }
  const ended: TrendBelief = { ...b.moving, slope: 0, cov: 0, slopeVar: noise.steady.slopeSd ** 2 }
  return goingOn(
    {
      steady: merged(b.steady, ended, (b.moves * stops) / (1 - moves)),
      moving: merged(b.moving, begun, ((1 - b.moves) * starts) / moves),
      moves,
    },
    time,
    noise,
  )
}

/** One belief with the moments of two, the second by some share. */
function merged(a: TrendBelief, b: TrendBelief, share: number): TrendBelief {
  if (!(share > 0)) return a
  const [byLevel, bySlope] = [b.level - a.level, b.slope - a.slope]
  const between = share * (1 - share)
  const mean = (x: number, y: number) => x + share * (y - x)
  return {
    level: mean(a.level, b.level),
    slope: mean(a.slope, b.slope),
    levelVar: mean(a.levelVar, b.levelVar) + between * byLevel ** 2,
    cov: mean(a.cov, b.cov) + between * byLevel * bySlope,
    slopeVar: mean(a.slopeVar, b.slopeVar) + between * bySlope ** 2,
  }
}

/** The cases that a reading is held against: steady or moving, with a leap or without. */
interface Case {
  belief: TrendBelief
  moves: boolean
  leapt: boolean
  weight: number
}

/**
 * Takes a reading in: each case by itself, and the case that expected it better gains. A leap is a case too: it forgets
 * where the level was, not its slope.
 * @param value what was read
 * @param sdAt standard deviation of a reading where the level is such (> 0): a test that strays by a share of what is
 * there does not stray far where little is there
 * @returns the belief after it, the chance that the level leapt, and how many standard deviations the reading lay off
 * what was expected without a leap
 */
export function switchingSeen(
  b: SwitchingBelief,
  value: number,
  sdAt: (level: number) => number,
  { leaps, leapSd }: SwitchingNoise,
): { belief: SwitchingBelief; leapt: number; surprise: number } {
  const cases = [true, false].flatMap(moves =>
    [true, false].map((leapt): Case => {
      const before = moves ? b.moving : b.steady
      const levelVar = before.levelVar + (leapt ? leapSd ** 2 : 0)
      const sd = sdAt(leapt ? value : before.level)
      const { belief, surprise } = trendSeen({ ...before, levelVar }, value, sd)
      const density = Math.exp(-(surprise ** 2) / 2) / Math.sqrt(levelVar + sd ** 2)
      return { belief, moves, leapt, weight: density * (moves ? b.moves : 1 - b.moves) * (leapt ? leaps : 1 - leaps) }
    }),
  )
  const sum = (of: (c: Case) => boolean) => cases.filter(of).reduce((s, c) => s + c.weight, 0)
  const of = (moves: boolean) => {
    const [leapt, stayed] = cases.filter(c => c.moves === moves) as [Case, Case]
    return merged(stayed.belief, leapt.belief, leapt.weight / (leapt.weight + stayed.weight || 1))
  }
  const all = sum(() => true)
  const before = merged(b.steady, b.moving, b.moves)
  return {
    belief: { steady: of(false), moving: of(true), moves: all > 0 ? sum(c => c.moves) / all : b.moves },
    leapt: all > 0 ? sum(c => c.leapt) / all : 1,
    surprise: (value - before.level) / Math.sqrt(before.levelVar + sdAt(before.level) ** 2),
  }
}

/** Level and slope of both cases together, by their moments. */
export const together = (b: SwitchingBelief): TrendBelief => merged(b.steady, b.moving, b.moves)
