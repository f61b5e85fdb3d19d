/**
 * What is believed of a level that wanders and of its slope: means, variances and covariance. Time in any unit; the
 * slope is per that unit.
 */
export interface TrendBelief {
  level: number
  slope: number
  levelVar: number
  cov: number
  slopeVar: number
}

/** How a level lives when nobody looks. */
export interface TrendNoise {
  /** standard deviation of the level's own wandering after one unit of time, > 0 */
  wander: number
  /** standard deviation of a slope that nothing is known of, per unit of time, > 0 */
  slopeSd: number
  /** time after which 1/e of a slope is left, > 0 */
  memory: number
}

/** Belief after a first reading: its value and doubt, and a slope that nothing is known of. */
export const trendFrom = (value: number, sd: number, { slopeSd }: TrendNoise): TrendBelief => ({
  level: value,
  slope: 0,
  levelVar: sd ** 2,
  cov: 0,
  slopeVar: slopeSd ** 2,
})

/**
 * Carries a belief forward: a local level with a damped slope in continuous time. The level follows its slope and
 * wanders (Brownian motion); the slope forgets itself (Ornstein & Uhlenbeck), so that no trend goes on for ever.
 * Source: Harvey, Forecasting, Structural Time Series Models and the Kalman Filter (1989), ch. 2 and 9; Gardner &
 * McKenzie (1985) for the damping; the moments of the integrated process by hand.
 * @param belief at some moment
 * @param time from then on, ≥ 0
 * @param noise how the level lives
 */
export function trendAfter(belief: TrendBelief, time: number, { wander, slopeSd, memory }: TrendNoise): TrendBelief {
  const kept = Math.exp(-time / memory)
  const reach = memory * (1 - kept)
  const free = slopeSd ** 2
  const ownLevel = wander ** 2 * time + free * 2 * memory * (time - 2 * reach + (memory * (1 - kept ** 2)) / 2)
  return {
    level: belief.level + reach * belief.slope,
    slope: kept * belief.slope,
    levelVar: belief.levelVar + 2 * reach * belief.cov + reach ** 2 * belief.slopeVar + ownLevel,
    cov: kept * (belief.cov + reach * belief.slopeVar) + free * reach * (1 - kept),
    slopeVar: kept ** 2 * belief.slopeVar + free * (1 - kept ** 2),
  }
}

/**
 * Takes a reading in (Kalman 1960).
 * @param belief at the moment of the reading
 * @param value what was read
 * @param sd its standard deviation, > 0
 * @returns the belief after it, and how many standard deviations the reading lay off what was expected
 */
export function trendSeen(belief: TrendBelief, value: number, sd: number): { belief: TrendBelief; surprise: number } {
  const { levelVar, cov } = belief
  const variance = levelVar + sd ** 2
  const off = value - belief.level
  return {
    belief: {
      level: belief.level + (levelVar / variance) * off,
      slope: belief.slope + (cov / variance) * off,
      levelVar: (levelVar * sd ** 2) / variance,
      cov: (cov * sd ** 2) / variance,
      slopeVar: belief.slopeVar - cov ** 2 / variance,
    },
    surprise: off / Math.sqrt(variance),
  }
}
