import { Matrix, solve } from 'ml-matrix'

/** One way in which a chart's sum moves on, in whole units of its grid. */
export interface Move {
  chance: number
  by: number
}

/**
 * Mean number of moves until a sum that never falls below nothing first rises above a limit: the average run length of
 * a chart that begins at nothing, by the absorbing Markov chain of its states.
 * Source: Brook & Evans (1972), Biometrika 59: 539.
 * @param moves whose chances sum to 1; what the chances leave over is taken to rise above the limit
 * @param most highest sum that does not signal, in units of the grid
 */
export function runLength(moves: readonly Move[], most: number): number {
  const states = most + 1
  const away = Matrix.eye(states, states)
  for (let from = 0; from < states; from++)
    for (const { chance, by } of moves) {
      const to = Math.max(0, from + by)
      if (to <= most) away.set(from, to, away.get(from, to) - chance)
    }
  return solve(away, Matrix.ones(states, 1)).get(0, 0)
}
