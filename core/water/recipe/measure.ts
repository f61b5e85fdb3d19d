import type { Bench } from '#core/records'
import type { Dose } from '../chemistry/salts'

/**
 * How a mass gets into the bucket: weighed dry, or as a measured volume of a solution when it is too little for the
 * scale.
 */
export type Measured =
  | { by: 'scale'; grams: number }
  | {
      by: 'solution'
      grams: number
      millilitres: number
      /** grams in a litre of the solution, and litres of it to make */ strengthGL: number
      solutionL: number
    }

/** What there is to measure with. */
export interface Measuring extends Pick<Bench, 'scaleStepG'> {
  /** to masses that are quickly weighed, such as 4.1 or 12.5 g, instead of to the last digit of the scale */
  roughly?: boolean
}

/** A mass that is quickly weighed is at most so much of it away from the wanted one: less than any kit shows. */
const ROUGHLY = 0.02

/** The coarsest of 1, 5, 10, 50 … steps of the scale that rounds by no more than `ROUGHLY`. */
function roughStep(grams: number, scaleStepG: number): number {
  let step = scaleStepG
  for (let i = 0; ; i++) {
    const next = step * (i % 2 === 0 ? 5 : 2)
    if (next / 2 > ROUGHLY * grams) return step
    step = next
  }
}

/** A mass under so many steps of the scale is not weighed: the last step alone would be more than a twentieth of it. */
const LEAST_STEPS = 20
/** Strengths of solutions that are easy to make, g/L. */
const STRENGTHS = [100, 50, 20, 10, 5, 2, 1]

/**
 * Turns a wanted mass into one that can be measured.
 * @param grams wanted, 0 or more
 * @param dose the salt, for its solubility
 * @returns null for a mass that is too little to matter (under half a milligram)
 */
export function measurable(grams: number, dose: Dose, bench: Measuring): Measured | null {
  const { scaleStepG, roughly } = bench
  if (grams >= LEAST_STEPS * scaleStepG)
    return { by: 'scale', grams: roundTo(grams, roughly ? roughStep(grams, scaleStepG) : scaleStepG) }
  if (grams < 0.0005) return null
  const soluble = STRENGTHS.filter(s => s <= dose.solubilityGL * 0.8)
  // the strongest one of which a syringe holds enough to be read well
  const strengthGL = soluble.find(s => (grams / s) * 1000 >= 5) ?? soluble.at(-1) ?? 1
  const exact = (grams / strengthGL) * 1000
  const millilitres = roundTo(exact, exact < 10 ? 0.1 : exact < 100 ? 1 : 5)
  if (millilitres === 0) return null
  const solutionL = strengthGL * 0.1 >= LEAST_STEPS * scaleStepG ? 0.1 : 1
  return { by: 'solution', grams: (millilitres * strengthGL) / 1000, millilitres, strengthGL, solutionL }
}

/** The next smaller mass that can be measured, for when rounding went over a limit. */
export function oneLess(m: Measured, { scaleStepG, roughly }: Measuring): Measured | null {
  if (m.by === 'scale') {
    const step = roughly ? roughStep(m.grams, scaleStepG) : scaleStepG
    return m.grams > step ? { by: 'scale', grams: roundTo(m.grams - step, step) } : null
  }
  const millilitres = roundTo(m.millilitres - (m.millilitres <= 10 ? 0.1 : 1), 0.1)
  return millilitres > 0 ? { ...m, millilitres, grams: (millilitres * m.strengthGL) / 1000 } : null
}

/** To what a bucket of some litres is measured. */
export const litresStep = (total: number, jugStepL: number): number =>
  total < 20 * jugStepL ? Math.min(jugStepL, total < 2 ? 0.01 : 0.05) : jugStepL

/**
 * Litres of each source to what the jug shows; the largest part takes up the rest, so that the bucket holds what it
 * should.
 * A small change is measured in hundredths of a litre whatever the jug is.
 */
export function measuredLitres(litres: readonly number[], total: number, jugStepL: number): number[] {
  const step = litresStep(total, jugStepL)
  const largest = litres.indexOf(Math.max(...litres))
  const out = litres.map(l => roundTo(Math.max(0, l), step))
  const rest = total - out.reduce((sum, l, i) => (i === largest ? sum : sum + l), 0)
  out[largest] = Math.max(0, roundTo(rest, 0.001))
  return out
}

/** Rounds to a step without the dust of binary fractions. */
export function roundTo(value: number, step: number): number {
  return Number((Math.round(value / step) * step).toFixed(6))
}
