import { describe, expect, it } from 'vitest'
import { courseOf, fitLine, type LineFit, tellLine } from '#core/lines'
import { normalBelow } from '#core/stats'
import { bred, graded, lineOf } from './historyParts'
import { breedLine } from './lineParts'

const line = lineOf([
  { counts: [40, 30, 20, 10], kept: [0, 0, 6, 8] },
  { counts: [20, 30, 30, 20], kept: [0, 0, 0, 12] },
  { counts: [8, 24, 38, 30], kept: [0, 0, 0, 10] },
])
const fit = fitLine(line)

describe('the course of a line by its genes', () => {
  it('is the mean rung of a normal trait between the borders, without year and keeper', () => {
    const one = fit.draws[0]!
    const standing = { mean: 0.4, variance: 0.3, environment: 9, raised: 9 }
    const eyes = new Map([['A', { cuts: [-1, 0, 1.5], shift: 0, blur: 0.2 }]])
    const run = { ...one.run, eyes, sexes: 0.3, rest: 0.6, standings: [standing] }
    const [told] = courseOf({ ...fit, draws: [{ ...one, run }] } as LineFit, ['g0'])
    const sd = Math.sqrt(0.3 + 0.6 + 0.09)
    const above = [-1, 0, 1.5].map(cut => 1 - normalBelow(cut, 0.4, sd))
    expect(told!.value).toBeCloseTo(1 + above.reduce((a, b) => a + b, 0), 3)
    expect(told!.low).toBe(told!.high)
  })
  it('goes with what was graded, and is less sure where fewer were', () => {
    const course = courseOf(fit, ['g0', 'g1', 'g2'])
    for (const [t, mean] of [2, 2.5, 2.9].entries()) expect(Math.abs(course[t]!.value - mean)).toBeLessThan(0.25)
    const few = {
      ...line,
      groups: line.groups.map((g, t) => (t === 2 ? { ...g, gradings: [graded([0, 2, 2, 2])] } : g)),
    }
    const wide = ([, , c]: ReturnType<typeof courseOf>) => c!.high - c!.low
    expect(wide(courseOf(fitLine(few), ['g0', 'g1', 'g2']))).toBeGreaterThan(1.1 * wide(course))
  })
  it('does not follow a keeper who sees all of one generation lower', () => {
    const strict = line.groups.map((g, t) =>
      t === 2
        ? {
            ...g,
            gradings: [graded([30, 38, 24, 8], 'B')],
            // the same animals twice: B sees them a rung lower
            twice: [
              {
                graders: ['A', 'B'] as const,
                table: [
                  [4, 0, 0, 0],
                  [12, 1, 0, 0],
                  [0, 17, 1, 0],
                  [0, 0, 14, 1],
                ],
              },
            ],
            breeders: [bred('g1', [0, 0, 0, 6], 'male'), bred('g1', [0, 0, 0, 6], 'female')],
          }
        : g,
    )
    const course = courseOf(fitLine({ ...line, groups: strict }), ['g1', 'g2'])
    expect(course[1]!.value).toBeGreaterThan(course[0]!.value - 0.05)
  })
})

describe('years', () => {
  it('are those between the generations', () => {
    const l = breedLine()
    const first = l.generation(400)
    l.grade(399, l.spread([10, 10, 10, 10], 'unknown'), { generationId: first.id })
    const alone = tellLine(l.records(), 0.25)!.told
    expect(alone.generationYears).toBeNull()
    for (const days of [300, 35]) l.generation(days)
    expect(tellLine(l.records(), 0.25)!.told.generationYears).toBeCloseTo(365 / 2 / 365.25, 6)
  })
})
