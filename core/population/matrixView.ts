import { EigenvalueDecomposition, inverse, Matrix } from 'ml-matrix'

/**
 * What a projection matrix says of a population. Vectors are by stage, matrices row by row: `a[i][j]` is what one of
 * stage j adds to stage i in a step.
 */
export interface MatrixView {
  /** factor of growth per step once the make-up has settled */
  lambda: number
  /** settled make-up, summing to 1 */
  stableStage: number[]
  /** what one of each stage is worth for the numbers to come, beside one of the first stage */
  reproductiveValue: number[]
  /** how λ moves with each entry */
  sensitivity: number[][]
  /** the same in proportion; sums to 1 */
  elasticity: number[][]
  /** steps to double; negative to halve */
  doublingTime: number
  /** modulus of λ beside that of the next eigenvalue; infinite when there is none */
  dampingRatio: number
}

/**
 * Eigenvalues, settled make-up, reproductive values and elasticities of a projection matrix.
 *
 * The largest real eigenvalue is taken from the whole decomposition: power iteration never ends on matrices that turn
 * in a circle.
 * Source: Caswell (2001), Matrix Population Models, chs. 4 and 9; elasticities de Kroon et al. (1986), Ecology 67:
 * 1427.
 * @param a square, not negative
 * @throws RangeError when it is not square
 */
export function matrixView(a: readonly (readonly number[])[]): MatrixView {
  const n = a.length
  if (n === 0 || a.some(row => row.length !== n))
    throw new RangeError(`the matrix must be square, got ${n} rows of ${a.map(r => r.length).join(', ')}`)
  const right = dominant(a)
  const left = dominant(a.map((_, i) => a.map(row => row[i]!)))
  const w = right.vector
  const sum = w.reduce((x, y) => x + y, 0)
  const stableStage = w.map(x => x / sum)
  const first = left.vector.find(x => x > 1e-12) ?? 1
  const reproductiveValue = left.vector.map(x => x / (left.vector[0]! > 1e-12 ? left.vector[0]! : first))
  const dot = reproductiveValue.reduce((s, v, i) => s + v * stableStage[i]!, 0)
  const sensitivity = reproductiveValue.map(v => stableStage.map(x => (v * x) / dot))
  const { lambda } = right
  return {
    lambda,
    stableStage,
    reproductiveValue,
    sensitivity,
    elasticity: sensitivity.map((row, i) => row.map((s, j) => (a[i]![j]! * s) / lambda)),
    doublingTime: Math.LN2 / Math.log(lambda),
    dampingRatio: right.second > 0 ? lambda / right.second : Infinity,
  }
}

function dominant(a: readonly (readonly number[])[]): { lambda: number; vector: number[]; second: number } {
  const e = new EigenvalueDecomposition(new Matrix(a.map(row => [...row])))
  const moduli = e.realEigenvalues.map((re, i) => Math.hypot(re, e.imaginaryEigenvalues[i]!))
  const largest = Math.max(...moduli)
  // of several with that modulus the real, positive one is Perron's
  const at = e.realEigenvalues.findIndex(
    (re, i) => Math.abs(e.imaginaryEigenvalues[i]!) < 1e-9 && Math.abs(re - largest) <= 1e-9 * Math.max(1, largest),
  )
  const vector = e.eigenvectorMatrix.getColumn(at)
  const sign = vector.reduce((x, y) => x + y, 0) < 0 ? -1 : 1
  const others = moduli.filter((_, i) => i !== at)
  return {
    lambda: e.realEigenvalues[at]!,
    vector: vector.map(x => Math.max(0, sign * x)),
    second: others.length > 0 ? Math.max(...others) : 0,
  }
}

/** Figures that need births and survival apart. */
export interface LifeTable {
  /** young that one newborn leaves in its life */
  netReproduction: number
  /** steps in which the population grows by that factor; null when λ is 1 */
  generationTime: number | null
  /** mean difference of age between parent and young in the settled colony */
  meanParentAge: number
  /** expected steps from the first stage to death */
  lifeExpectancy: number
}

/**
 * Net reproduction and generation time of a = u + f.
 * Sources: Cushing & Zhou (1994); Caswell (2001), ch. 5; mean age of parents Bienvenu & Legendre (2015), Am. Nat. 185:
 * 834.
 * The two generation times are different things and differ.
 * @param u survival and growth
 * @param f births
 */
export function lifeTable(u: readonly (readonly number[])[], f: readonly (readonly number[])[]): LifeTable {
  const n = u.length
  const fundamental = inverse(Matrix.sub(Matrix.eye(n), new Matrix(u.map(r => [...r]))))
  const next = new Matrix(f.map(r => [...r])).mmul(fundamental)
  const eigen = new EigenvalueDecomposition(next)
  const netReproduction = Math.max(...eigen.realEigenvalues)
  const view = matrixView(u.map((row, i) => row.map((x, j) => x + f[i]![j]!)))
  let births = 0
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) births += view.reproductiveValue[i]! * f[i]![j]! * view.stableStage[j]!
  const worth = view.reproductiveValue.reduce((s, v, i) => s + v * view.stableStage[i]!, 0)
  const log = Math.log(view.lambda)
  return {
    netReproduction,
    generationTime: Math.abs(log) > 1e-9 ? Math.log(netReproduction) / log : null,
    meanParentAge: (view.lambda * worth) / births,
    lifeExpectancy: fundamental.getColumn(0).reduce((x, y) => x + y, 0),
  }
}

/**
 * Share of a stage of fixed length that leaves it in a step, in a population that grows.
 * Source: Crouse, Crowder & Caswell (1987), Ecology 68: 1412; Caswell (2001), eq. 6.103.
 * @param survival per step
 * @param steps length of the stage
 * @param lambda growth factor per step
 */
export function fixedDurationShare(survival: number, steps: number, lambda: number): number {
  const q = survival / lambda
  return Math.abs(q - 1) < 1e-12 ? 1 / steps : (q ** steps - q ** (steps - 1)) / (q ** steps - 1)
}
