import { quickNormalBelow } from '#core/stats'
import type { Eye, Standing } from './chosen'
import type { GradedSex, GradedTwice, GroupGrading, LineGroup } from './history'
import { type Differed, raisedBy } from './upbringing'

/** A line as some latents have it. */
export interface LineRun {
  eyes: Map<string, Eye>
  /** how far females lie above the mean of both; males as far below */
  sexes: number
  /** how the graded grew up, where that differed, and what one step of each adds */
  differed: readonly Differed[]
  slopes: readonly number[]
  /** variance of what is not passed on */
  rest: number
  standings: Standing[]
  /** chance of each cell that was graded, in the order of `cellsOf` */
  chances: Float64Array
}

/** Females lie above the mean of both, males below, and of both together nobody knows who. */
export const sign: Readonly<Record<GradedSex, number>> = { female: 1, male: -1, mixed: 0 }

/** Chances of all that was graded of a group, from a place on. @returns the place after them */
export function fillChances(run: LineRun, row: number, { gradings, twice }: LineGroup, from: number): number {
  let at = from
  for (const grading of gradings) {
    const look = lookOf(run, row, grading)
    for (const cell of grading.cells) run.chances[at++] = look(cell.from, cell.to)
  }
  for (const pair of twice) {
    const size = pair.table.length ** 2
    fillTwice(run.chances.subarray(at, at + size), run, row, pair)
    at += size
  }
  return at
}

/** Chance of a stretch of rungs in a group, as a keeper grades it. */
function lookOf(run: LineRun, row: number, grading: GroupGrading): (from: number, to: number) => number {
  const { grader, sex } = grading
  const { mean, variance, environment } = run.standings[row]!
  const eye = run.eyes.get(grader)!
  // both sexes together are a little wider than one
  const wider = sex === 'mixed' ? run.sexes ** 2 : 0
  const sd = Math.sqrt(variance + run.rest + eye.blur + wider)
  const at = mean + environment + raisedBy(run.differed, run.slopes, grading.raised) + eye.shift + sign[sex] * run.sexes
  const below = eye.cuts.map(cut => quickNormalBelow((cut - at) / sd))
  const upTo = (k: number) => (k < 0 ? 0 : k >= below.length ? 1 : below[k]!)
  return (from, to) => Math.max(1e-12, upTo(to) - upTo(from - 1))
}

const NODES = 25
const FAR = 4
const places = /* @__PURE__ */ Float64Array.from({ length: NODES }, (_, i) => -FAR + (2 * FAR * i) / (NODES - 1))
const weights = /* @__PURE__ */ (() => {
  const raw = places.map(x => Math.exp(-(x * x) / 2))
  const all = raw.reduce((a, b) => a + b, 0)
  return raw.map(w => w / all)
})()

/**
 * Chances of the pairs of rungs that two keepers give the same animals: what is graded is one, their errors are two.
 */
function fillTwice(into: Float64Array, run: LineRun, row: number, pair: GradedTwice) {
  const { graders } = pair
  const { mean, variance, environment } = run.standings[row]!
  const sd = Math.sqrt(variance + run.rest + run.sexes ** 2)
  const [first, second] = [run.eyes.get(graders[0])!, run.eyes.get(graders[1])!]
  const rungs = first.cuts.length + 1
  const [byFirst, bySecond] = [new Float64Array(rungs), new Float64Array(rungs)]
  into.fill(1e-12)
  for (let i = 0; i < NODES; i++) {
    const at = mean + environment + raisedBy(run.differed, run.slopes, pair.raised) + sd * places[i]!
    fillRungs(byFirst, first, at)
    fillRungs(bySecond, second, at)
    for (let a = 0; a < rungs; a++) {
      const p = weights[i]! * byFirst[a]!
      for (let b = 0; b < rungs; b++) into[a * rungs + b]! += p * bySecond[b]!
    }
  }
}

/** Chance of each rung for an animal whose trait is known. */
function fillRungs(into: Float64Array, { cuts, shift, blur }: Eye, at: number) {
  const sd = Math.sqrt(blur)
  let last = 0
  for (let k = 0; k < cuts.length; k++) {
    const below = quickNormalBelow((cuts[k]! - at - shift) / sd)
    into[k] = below - last
    last = below
  }
  into[cuts.length] = 1 - last
}

/** Animals of whom no single one is looked at: their mean with what moved all of them, and their genes' variance. */
interface Many {
  mean: number
  variance: number
  /** as whom they are graded; as they truly are when missing */
  grader?: string
}

/** Shares below each border, both sexes together; by no known keeper's eye the borders of the one who graded most. */
export function sharesBelow(run: LineRun, { mean, variance, grader }: Many): number[] {
  const eye = grader === undefined ? undefined : run.eyes.get(grader)
  const { cuts } = eye ?? run.eyes.values().next().value!
  const sd = Math.sqrt(variance + run.rest + (eye?.blur ?? 0) + run.sexes ** 2)
  return cuts.map(cut => quickNormalBelow((cut - mean - (eye?.shift ?? 0)) / sd))
}
