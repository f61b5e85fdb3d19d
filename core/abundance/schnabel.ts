import { poissonInterval } from '#core/stats'

/** One catch of several: all without a mark get one before they are let go. */
export interface MarkedCatch {
  caught: number
  recaptured: number
}

/** What several catches with marks say of the number. */
export interface SchnabelEstimate {
  /** Σ caught·marked / Σ recaptured; null when none ever came back */
  schnabel: number | null
  /** with one more in the denominator: hardly biased, used for few recaptures */
  schnabelPlus1: number
  /** regression through the origin, least troubled by catches that differ; null with fewer than two recaptures */
  schumacherEschmeyer: number | null
  /** from Garwood's interval of the recaptures; the upper end is null when none came back */
  interval: [number, number | null]
  recaptured: number
}

/**
 * Number of animals from several catches, each marked and let go.
 * Sources: Schnabel (1938), Am. Math. Monthly 45: 348; Chapman (1952), Biometrics 8: 286; Schumacher & Eschmeyer
 * (1943); as given by Krebs, Ecological Methodology.
 * @param catches in order of time, two or more
 * @throws RangeError for fewer than two catches, or more recaptures than were caught or marked
 */
export function schnabel(catches: readonly MarkedCatch[], level: number): SchnabelEstimate {
  if (catches.length < 2) throw new RangeError(`catches must be two or more, got ${catches.length}`)
  let marked = 0
  let cm = 0
  let cmm = 0
  let rm = 0
  let recaptured = 0
  for (const [i, c] of catches.entries()) {
    if (!(c.recaptured >= 0 && c.recaptured <= Math.min(c.caught, marked)))
      throw new RangeError(
        `recaptured of catch ${i + 1} must lie in 0 to ${Math.min(c.caught, marked)}, got ${c.recaptured}`,
      )
    cm += c.caught * marked
    cmm += c.caught * marked * marked
    rm += c.recaptured * marked
    recaptured += c.recaptured
    marked += c.caught - c.recaptured
  }
  const [few, many] = poissonInterval(recaptured, level)
  return {
    schnabel: recaptured > 0 ? cm / recaptured : null,
    schnabelPlus1: cm / (recaptured + 1),
    schumacherEschmeyer: rm > 0 ? cmm / rm : null,
    interval: [cm / many, few > 0 ? cm / few : null],
    recaptured,
  }
}
