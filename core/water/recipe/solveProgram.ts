import { type Constraint, type Model, solve } from 'yalps'
import type { LinearProgram } from './program'

/** A solution: values of all variables, and what they cost. */
export interface Solution {
  values: number[]
  cost: number
}

/**
 * Solves a linear program by the simplex method (package yalps; checked against HiGHS in tests/reference).
 * @returns null when no values satisfy all rows
 */
export function solveProgram(program: LinearProgram): Solution | null {
  const constraints = new Map<string, Constraint>()
  const variables = program.variables.map((_, i): [string, Map<string, number>] => [
    String(i),
    new Map([['cost', program.cost[i]!]]),
  ])
  program.rows.forEach(({ coefficients, low, high }, r) => {
    const name = `r${r}`
    constraints.set(
      name,
      low === high ? { equal: low } : { ...(low > -Infinity && { min: low }), ...(high < Infinity && { max: high }) },
    )
    for (const [i, value] of coefficients) variables[i]![1].set(name, value)
  })
  const model: Model<string, string> = { direction: 'minimize', objective: 'cost', constraints, variables }
  const found = solve(model)
  if (found.status !== 'optimal') return null
  const values = program.variables.map(() => 0)
  for (const [name, value] of found.variables) values[Number(name)] = value
  return { values, cost: values.reduce((sum, v, i) => sum + v * program.cost[i]!, 0) }
}
