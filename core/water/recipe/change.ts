import type { Bench, Water } from '#core/records'
import { blend, changed, dissolve } from '../chemistry/blend'
import { ghOf, khOf } from '../chemistry/hardness'
import { type ChangeQuestion, changeProgram, limitedKeys } from './program'
import { litresStep, measurable, type Measured, type Measuring, measuredLitres, oneLess, roundTo } from './measure'
import { type Readouts, readoutsOf, recipeKeys, slopesAt } from '../chemistry/readouts'
import { nearEnough } from './weights'
import { solveProgram } from './solveProgram'

/** One change as it is weighed and poured. Lists run as the question's sources and doses. */
export interface SolvedChange {
  litres: number[]
  measured: (Measured | null)[]
  /** water in the bucket once mixed, and in the tank before and after */
  bucket: Water
  before: Water
  after: Water
}

/** Conductivity bends a little: the program is set up anew at what it gave, so often. */
const PASSES = 2
/** Room left under the largest step for rounding. */
const STEP_ROOM = 0.98

/**
 * Solves one change and rounds it to what jug and scale can measure. A step limit holds for the rounded recipe.
 * @returns null when no blend of these sources and salts keeps every value within its step
 */
export function solveChange(question: ChangeQuestion, bench: Measuring & Pick<Bench, 'jugStepL'>): SolvedChange | null {
  const q: ChangeQuestion = {
    ...question,
    step: Object.fromEntries(Object.entries(question.step).map(([k, v]) => [k, v * STEP_ROOM])) as Partial<Readouts>,
  }
  const exact = solveExact(q)
  if (!exact) return null
  for (const litres of question.fixedL
    ? [question.fixedL]
    : measurableBlends(exact.litres, q.changeL, bench.jugStepL)) {
    // with the litres settled the salts can make up for their rounding
    const settled = solveExact({ ...q, fixedL: litres })
    const made = settled && weighed(question, litres, settled.grams, bench)
    if (made) return made
  }
  // rare: the litres cannot be rounded within the limit, so they are given to the millilitre
  const fine = pour(
    question,
    exact.litres,
    exact.grams.map(g => (g > 0 ? { by: 'scale' as const, grams: g } : null)),
  )
  return overStep(question, fine) ? null : fine
}

/**
 * Blends that a jug can measure, nearest to the exact one first: the rounded one, and those with one step moved from a
 * source to another.
 */
function measurableBlends(exact: readonly number[], total: number, jugStepL: number): number[][] {
  const rounded = measuredLitres(exact, total, jugStepL)
  const step = litresStep(total, jugStepL)
  const used = exact.flatMap((l, i) => (l > 1e-6 ? [i] : []))
  const moved = used.flatMap(from =>
    used
      .filter(to => to !== from && rounded[from]! >= step)
      .map(to => rounded.map((l, i) => roundTo(i === from ? l - step : i === to ? l + step : l, 0.001))),
  )
  const off = (blend: readonly number[]) => blend.reduce((sum, l, i) => sum + Math.abs(l - exact[i]!), 0)
  return [rounded, ...moved.sort((a, b) => off(a) - off(b))]
}

/** Grams to what scale or syringe can measure; null when no rounding keeps every value within its step. */
function weighed(
  question: ChangeQuestion,
  litres: readonly number[],
  grams: readonly number[],
  bench: Measuring,
): SolvedChange | null {
  let measured = grams.map((g, i) => measurable(g, question.doses[i]!.dose, bench))
  // rounding up may go over a limit: take the salt that weighs most in it down, one step at a time
  for (let guard = 0; guard < 200; guard++) {
    const made = pour(question, litres, measured)
    const over = overStep(question, made)
    if (!over) return made
    const culprit = over.rising ? strongest(question, measured, over.key) : -1
    if (culprit < 0) return null
    measured = measured.map((m, i) => (i === culprit && m ? oneLess(m, bench) : m))
  }
  return null
}

function solveExact(q: ChangeQuestion): { litres: number[]; grams: number[] } | null {
  let near = q.tank
  let found: { litres: number[]; grams: number[] } | null = null
  for (let pass = 0; pass < PASSES; pass++) {
    const solution = solveProgram(changeProgram(q, slopesAt(near), near))
    if (!solution) return found
    const litres = solution.values.slice(0, q.sources.length).map(v => Math.max(0, v))
    const grams = solution.values
      .slice(q.sources.length, q.sources.length + q.doses.length)
      .map(v => (v > 1e-7 ? v : 0))
    found = { litres, grams: grams.map((g, i) => (matters(q, i, g) ? g : 0)) }
    near = pour(
      q,
      litres,
      grams.map(g => ({ by: 'scale', grams: g })),
    ).after
  }
  return found
}

/** A salt that moves nothing by a fifth of what a kit can show is not worth a step at the bench. */
function matters(q: ChangeQuestion, i: number, grams: number): boolean {
  if (grams === 0) return false
  const { perGramL } = q.doses[i]!.dose
  const shift = grams / q.netL
  const moved: Partial<Readouts> = {
    ghDh: ghOf(perGramL) * shift,
    khDh: khOf(perGramL) * shift,
    salinityGKg: perGramL.seaSaltGL * shift,
    conductivityUsCm: (perGramL.naMmolL + perGramL.kMmolL) * 100 * shift,
  }
  return recipeKeys.some(k => (moved[k] ?? 0) > 0.2 * nearEnough[k])
}

function pour(q: ChangeQuestion, litres: readonly number[], measured: readonly (Measured | null)[]): SolvedChange {
  const mixed = blend(q.sources.map((s, i) => ({ water: s.water, litres: litres[i]! })))
  const bucket = dissolve(
    mixed,
    q.changeL,
    q.doses.map((d, i) => ({ dose: d.dose, grams: measured[i]?.grams ?? 0 })),
  )
  return {
    litres: [...litres],
    measured: [...measured],
    bucket,
    before: q.tank,
    after: changed(q.tank, q.changeL / q.netL, bucket),
  }
}

function overStep(q: ChangeQuestion, made: SolvedChange) {
  const before = readoutsOf(made.before)
  const after = readoutsOf(made.after)
  for (const key of limitedKeys(q.step)) {
    const by = after[key] - before[key]
    if (Math.abs(by) > q.step[key]! + 1e-9) return { key, rising: by > 0 }
  }
  return null
}

/** The dose that raises a value most, or −1. */
function strongest(q: ChangeQuestion, measured: readonly (Measured | null)[], key: keyof Readouts): number {
  const slopes = slopesAt(q.tank)[key]
  let best = -1
  let most = 0
  measured.forEach((m, i) => {
    if (!m) return
    const effect =
      Object.entries(slopes).reduce(
        (sum, [amount, slope]) => sum + slope * q.doses[i]!.dose.perGramL[amount as keyof Water],
        0,
      ) * m.grams
    if (effect > most) {
      most = effect
      best = i
    }
  })
  return best
}
