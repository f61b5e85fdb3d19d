/** What was selected and what came of it, one generation after the other. */
export interface SelectedGeneration {
  /** selection differential, and response of the next generation, in the same unit */
  differential: number
  response: number
}

/** A slope with its standard error. */
export interface Slope {
  value: number
  se: number
}

/**
 * Realised heritability: cumulated response over cumulated differential, as a regression through the beginning. Its
 * standard error is too small, since drift goes on from generation to generation (Hill 1972, Biometrics 28: 747).
 * Source: Falconer (1954), Proc. 9th Int. Congr. Genet. 1: 16.
 * @throws RangeError for none, or where nothing was selected
 */
export function realisedHeritability(generations: readonly SelectedGeneration[]): Slope {
  let [s, r, ss, sr, rr] = [0, 0, 0, 0, 0]
  for (const { differential, response } of generations) {
    s += differential
    r += response
    ss += s * s
    sr += s * r
    rr += r * r
  }
  if (!(ss > 0)) throw new RangeError('realised heritability needs a generation in which something was selected')
  const value = sr / ss
  const left = Math.max(0, rr - value * sr)
  // the beginning, from which both are counted, is a point of the line as well
  return { value, se: Math.sqrt(left / generations.length / ss) }
}
