import { lifeTable, matrixView } from './matrixView'
import type { MatrixSummary } from './question'
import type { StageRates } from './rates'
import { EGGS_1, EGGS_2, FEMALES, FIRST, MALES, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/** The life cycle at present as matrices of one step: survival and growth, and births. */
export interface ProjectionMatrix {
  u: number[][]
  f: number[][]
}

/**
 * The mean step as a matrix. Females that carry eggs take up no brood, so births for each female go by the share of free
 * ones in a settled colony.
 * @param comeUp share of eggs whose young come up now, after crowding
 * @param loss factor on the hazards
 * @param freeShare share of females without eggs
 */
export function projectionMatrix(r: StageRates, comeUp: number, loss: number, freeShare: number): ProjectionMatrix {
  const zero = () => Array.from({ length: STAGES }, () => Array.from({ length: STAGES }, () => 0))
  const u = zero()
  const f = zero()
  const set = (m: number[][], to: number, from: number, value: number) => {
    m[to]![from] = value
  }
  const first = Math.exp(-r.firstHazard * loss)
  const young = Math.exp(-r.youngHazard * loss)
  const adult = Math.exp(-r.adultHazard * loss)
  set(u, EGGS_1, EGGS_1, 1 - r.eggsLeave)
  set(u, EGGS_2, EGGS_1, r.eggsLeave)
  set(u, EGGS_2, EGGS_2, 1 - r.eggsLeave)
  set(u, FIRST, EGGS_2, r.eggsLeave * Math.min(1, comeUp))
  set(u, FIRST, FIRST, first * (1 - r.firstLeave))
  set(u, YOUNG_1, FIRST, first * r.firstLeave)
  set(u, YOUNG_1, YOUNG_1, young * (1 - r.youngLeave))
  set(u, YOUNG_2, YOUNG_1, young * r.youngLeave)
  set(u, YOUNG_2, YOUNG_2, young * (1 - r.youngLeave))
  set(u, FEMALES, YOUNG_2, young * r.youngLeave * r.femaleShare)
  set(u, MALES, YOUNG_2, young * r.youngLeave * (1 - r.femaleShare))
  set(u, FEMALES, FEMALES, adult)
  set(u, MALES, MALES, adult)
  set(f, EGGS_1, FEMALES, r.broods * r.broodSize * freeShare)
  return { u, f }
}

/** Share of females without eggs in a colony that has settled to a factor of growth per step. */
export function freeShare(r: StageRates, factor: number): number {
  if (!r.carried) return 1
  const egg = 1 / (factor - (1 - r.eggsLeave))
  return 1 / (1 + r.broods * egg * (1 + r.eggsLeave * egg))
}

/** Reads the matrix of present conditions for the keeper; without births there is nothing to settle to. */
export function summarise(r: StageRates, comeUp: number, loss: number): MatrixSummary {
  const nothing = { first: 0, young: 0, females: 1, males: 0 }
  if (!(comeUp > 0) || r.eggsLeave === 0)
    return {
      growthPerWeek: Math.expm1((-r.adultHazard * loss) / r.dtWeeks),
      doublingWeeks: null,
      generationWeeks: null,
      settled: nothing,
      matters: [{ what: 'adults', share: 1 }],
    }
  // births depend on the share of free females, and that on the growth: a few rounds settle both
  let factor = 1
  let matrix = projectionMatrix(r, comeUp, loss, freeShare(r, factor))
  let view = matrixView(sum(matrix))
  for (let i = 0; i < 6 && Math.abs(view.lambda - factor) > 1e-6; i++) {
    factor = view.lambda
    matrix = projectionMatrix(r, comeUp, loss, freeShare(r, factor))
    view = matrixView(sum(matrix))
  }
  const growthPerWeek = Math.expm1(Math.log(view.lambda) / r.dtWeeks)
  const seen = view.stableStage.reduce((s, x, i) => s + (i === EGGS_1 || i === EGGS_2 ? 0 : x), 0)
  const part = (...rows: number[]) => rows.reduce((s, row) => s + view.stableStage[row]!, 0) / seen
  const column = (...rows: number[]) =>
    rows.reduce(
      (s, j) => s + view.elasticity.reduce((t, row, i) => t + (i === EGGS_1 && j === FEMALES ? 0 : row[j]!), 0),
      0,
    )
  const { meanParentAge } = lifeTable(matrix.u, matrix.f)
  return {
    growthPerWeek,
    doublingWeeks: view.lambda > 1.0005 ? view.doublingTime * r.dtWeeks : null,
    generationWeeks: meanParentAge * r.dtWeeks,
    settled: { first: part(FIRST), young: part(YOUNG_1, YOUNG_2), females: part(FEMALES), males: part(MALES) },
    matters: (
      [
        { what: 'births', share: view.elasticity[EGGS_1]![FEMALES]! },
        { what: 'eggs', share: column(EGGS_1, EGGS_2) },
        { what: 'first', share: column(FIRST) },
        { what: 'young', share: column(YOUNG_1, YOUNG_2) },
        { what: 'adults', share: column(FEMALES, MALES) },
      ] satisfies MatrixSummary['matters']
    ).toSorted((a, b) => b.share - a.share),
  }
}

const sum = ({ u, f }: ProjectionMatrix) => u.map((row, i) => row.map((x, j) => x + f[i]![j]!))
