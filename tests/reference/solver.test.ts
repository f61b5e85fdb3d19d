import loadHighs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { type SaltId, saltIds, type Water } from '#core/records'
import { seededRandom } from '#core/stats'
import {
  type ChangeQuestion,
  changeProgram,
  completeAnalysis,
  correctionGoals,
  doseOf,
  type LinearProgram,
  readoutsOf,
  slopesAt,
  solveProgram,
} from '#core/water'

/**
 * The linear programs of the recipes, solved a second time by HiGHS (Huangfu & Hall 2018, Mathematical Programming
 * Computation 10:119), a dual simplex of its own.
 */
let highs: Awaited<ReturnType<typeof loadHighs>>
beforeAll(async () => {
  highs = await loadHighs()
})

/** The program in CPLEX's LP format. */
function asText({ variables, cost, rows }: LinearProgram): string {
  const term = (v: number, i: number) => `${v < 0 ? '-' : '+'} ${Math.abs(v)} x${i}`
  const sum = (c: Map<number, number>) => [...c].map(([i, v]) => term(v, i)).join(' ')
  const lines = rows
    .filter(r => r.coefficients.size > 0)
    .flatMap((r, k) => [
      ...(r.low > -Infinity ? [`l${k}: ${sum(r.coefficients)} >= ${r.low}`] : []),
      ...(r.high < Infinity ? [`h${k}: ${sum(r.coefficients)} <= ${r.high}`] : []),
    ])
  return (
    `Minimize\n obj: ${cost.map(term).join(' ')}\nSubject To\n ${lines.join('\n ')}\nBounds\n ` +
    `${variables.map((_, i) => `x${i} >= 0`).join('\n ')}\nEnd`
  )
}

const random = seededRandom(77)
const between = (low: number, high: number) => low + (high - low) * random()
const someWater = (): Water =>
  completeAnalysis({ ghDh: between(0, 20), khDh: between(0, 14), conductivityUsCm: between(20, 700) }).water

/** A change as it could be asked: some sources, some salts, some of the groups, limits as theirs. */
function someQuestion(): ChangeQuestion {
  const group = groupOf(
    ['neocaridina', 'bee-shrimp', 'ramshorn-snail', 'water-isopod', 'apple-snail'][Math.floor(between(0, 5))]!,
  )
  const tank = someWater()
  const netL = between(5, 120)
  const salts = saltIds.filter(s => s !== 'seaSalt' && random() < 0.6) as SaltId[]
  const step = Object.fromEntries((['ghDh', 'khDh'] as const).map(k => [k, group.largestStepPerWeek[k]!.value]))
  return {
    tank,
    netL,
    changeL: netL * between(0.05, 0.4),
    goals: correctionGoals(readoutsOf(tank), group.targets, 'minerals'),
    step,
    sources: Array.from({ length: 1 + Math.floor(between(0, 5)) }, () => ({ water: someWater() })),
    doses: salts.map(salt => ({
      dose: doseOf({ by: 'salt', salt }),
      ...(random() < 0.3 && { maxG: between(0.5, 20) }),
    })),
  }
}

describe('the solver against HiGHS on random problems', () => {
  it('finds the same least cost, or agrees that there is none', () => {
    let solved = 0
    let none = 0
    for (let i = 0; i < 300; i++) {
      const question = someQuestion()
      const program = changeProgram(question, slopesAt(question.tank), question.tank)
      const mine = solveProgram(program)
      const theirs = highs.solve(asText(program))
      expect(mine !== null, `problem ${i}: ${theirs.Status}`).toBe(theirs.Status === 'Optimal')
      if (!mine) {
        none++
        continue
      }
      solved++
      expect(Math.abs(mine.cost - theirs.ObjectiveValue), `problem ${i}`).toBeLessThan(
        1e-6 * (1 + Math.abs(theirs.ObjectiveValue)),
      )
      // and what was found keeps every row
      for (const row of program.rows) {
        const value = [...row.coefficients].reduce((s, [j, c]) => s + c * mine.values[j]!, 0)
        expect(value).toBeGreaterThan(row.low - 1e-5)
        expect(value).toBeLessThan(row.high + 1e-5)
      }
    }
    // both kinds have to be among them, or the test says little
    expect(solved).toBeGreaterThan(100)
    expect(none).toBeGreaterThan(5)
  })
})
