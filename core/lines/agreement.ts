/** How well two graders agree beyond chance: 1 where they always do, 0 where they agree as often as by chance. */
export interface Agreement {
  kappa: number
  se: number
}

/** How much less two rungs agree that lie apart: by how far, or by the square of it. */
export type AgreementWeights = 'linear' | 'quadratic'

/**
 * Weighted kappa of two graders of the same animals.
 * Sources: Cohen (1968), Psychol. Bull. 70: 213; standard error Fleiss, Cohen & Everitt (1969), Psychol. Bull. 72: 323.
 * @param table animals that the first grader put on a rung (row) and the second on another (column)
 * @throws RangeError for fewer than two rungs, or no animals
 */
export function weightedKappa(
  table: readonly (readonly number[])[],
  weights: AgreementWeights = 'quadratic',
): Agreement {
  const rungs = table.length
  const all = table.flat().reduce((a, b) => a + b, 0)
  if (rungs < 2 || all === 0) throw new RangeError('agreement needs at least two rungs and an animal')
  const rows = table.map(row => row.reduce((a, b) => a + b, 0) / all)
  const columns = table.map((_, j) => table.reduce((sum, row) => sum + row[j]!, 0) / all)
  const weight = (i: number, j: number) => 1 - (Math.abs(i - j) / (rungs - 1)) ** (weights === 'linear' ? 1 : 2)
  const rowWeight = rows.map((_, i) => columns.reduce((sum, p, j) => sum + p * weight(i, j), 0))
  const columnWeight = columns.map((_, j) => rows.reduce((sum, p, i) => sum + p * weight(i, j), 0))
  const sumOver = (of: (i: number, j: number, p: number) => number) =>
    table.reduce((sum, row, i) => row.reduce((s, n, j) => s + of(i, j, n / all), sum), 0)
  const seen = sumOver((i, j, p) => p * weight(i, j))
  const byChance = rows.reduce((sum, p, i) => sum + p * rowWeight[i]!, 0)
  // who puts all on one rung cannot disagree
  if (byChance === 1) return { kappa: 1, se: 0 }
  const kappa = (seen - byChance) / (1 - byChance)
  const square = sumOver((i, j, p) => p * (weight(i, j) - (rowWeight[i]! + columnWeight[j]!) * (1 - kappa)) ** 2)
  const variance = (square - (kappa - byChance * (1 - kappa)) ** 2) / (all * (1 - byChance) ** 2)
  return { kappa, se: Math.sqrt(Math.max(0, variance)) }
}
