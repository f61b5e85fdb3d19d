import { freeShare, lifeCycle } from './lifeCycle'
import { lifeTable, matrixView } from './matrixView'
import type { MatrixSummary } from './question'
import type { StageRates } from './rates'
import { FEMALES, FIRST, MALES, STAGES, stageRows, YOUNG_1, YOUNG_2 } from './stages'

/** The life cycle at present as matrices of one step: survival and growth, and births. */
export interface ProjectionMatrix {
  u: number[][]
  f: number[][]
}

/**
 * The mean step as a matrix. Females that carry eggs take up no brood, so births for each female go by the share of
 * free ones in a settled colony.
 * @param present share of eggs whose young come up after crowding, and factor on the hazards
 * @param free share of females without eggs
 */
export function projectionMatrix(
  r: StageRates,
  { comeUp, loss }: { comeUp: number; loss: number },
  free: number,
): ProjectionMatrix {
  const zero = () => Array.from({ length: STAGES }, () => Array.from({ length: STAGES }, () => 0))
  const matrix = { u: zero(), f: zero() }
  for (const arc of lifeCycle(r, { comeUp, loss, broodsPerFemale: r.broods * free }))
    matrix[arc.born ? 'f' : 'u'][arc.to]![arc.from] = arc.share
  return matrix
}

/** Reads the matrix of present conditions for the keeper; without births there is nothing to settle to. */
export function summarise(r: StageRates, comeUp: number, loss: number): MatrixSummary {
  const nothing = { first: 0, young: 0, females: 1, males: 0 }
  if (!(comeUp > 0) || r.eggs.hop[0] === 1)
    return {
      growthPerWeek: Math.expm1((-r.adultHazard * loss) / r.dtWeeks),
      doublingWeeks: null,
      generationWeeks: null,
      settled: nothing,
      matters: [{ what: 'adults', share: 1 }],
    }
  // births depend on the share of free females, and that on the growth: a few rounds settle both
  let factor = 1
  let matrix = projectionMatrix(r, { comeUp, loss }, freeShare(r, factor))
  let view = matrixView(sum(matrix))
  for (let i = 0; i < 6 && Math.abs(view.lambda - factor) > 1e-6; i++) {
    factor = view.lambda
    matrix = projectionMatrix(r, { comeUp, loss }, freeShare(r, factor))
    view = matrixView(sum(matrix))
  }
  const growthPerWeek = Math.expm1(Math.log(view.lambda) / r.dtWeeks)
  const eggs = stageRows.eggs
  const seen = view.stableStage.reduce((s, x, i) => s + (eggs.includes(i) ? 0 : x), 0)
  const part = (...rows: number[]) => rows.reduce((s, row) => s + view.stableStage[row]!, 0) / seen
  const births = eggs.reduce((s, room) => s + view.elasticity[room]![FEMALES]!, 0)
  const column = (...rows: number[]) =>
    rows.reduce((s, j) => s + view.elasticity.reduce((t, row) => t + row[j]!, 0), 0) -
    (rows.includes(FEMALES) ? births : 0)
  const { meanParentAge } = lifeTable(matrix.u, matrix.f)
  return {
    growthPerWeek,
    doublingWeeks: view.lambda > 1.0005 ? view.doublingTime * r.dtWeeks : null,
    generationWeeks: meanParentAge * r.dtWeeks,
    settled: { first: part(FIRST), young: part(YOUNG_1, YOUNG_2), females: part(FEMALES), males: part(MALES) },
    matters: (
      [
        { what: 'births', share: births },
        { what: 'eggs', share: column(...eggs) },
        { what: 'first', share: column(FIRST) },
        { what: 'young', share: column(YOUNG_1, YOUNG_2) },
        { what: 'adults', share: column(FEMALES, MALES) },
      ] satisfies MatrixSummary['matters']
    ).toSorted((a, b) => b.share - a.share),
  }
}

const sum = ({ u, f }: ProjectionMatrix) => u.map((row, i) => row.map((x, j) => x + f[i]![j]!))
