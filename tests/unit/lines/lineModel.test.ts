import { describe, expect, it } from 'vitest'
import { normalBelow } from '#core/stats'
import { LINE_PRIOR, lineModel } from '../../../core/lines/lineModel'
import { graded, lineOf } from './historyParts'

/** One group of founders on three rungs, graded by two keepers; its latents are set by hand. */
const founders = lineOf([{ counts: [30, 40, 30], kept: [0, 0, 10] }])
const gradings = [
  { ...graded([10, 20, 10]), sex: 'female' as const },
  { ...graded([10, 20, 10]), sex: 'male' as const },
  graded([10, 20, 10]),
  graded([5, 10, 5], 'B'),
]
const model = lineModel({ ...founders, groups: [{ ...founders.groups[0]!, gradings }] })
// borders 2, errors 2, shift of B, one period, and the sexes
const [LOWEST, STEP, ERROR_A, ERROR_B, SHIFT, YEAR, SEXES] = [0, 1, 2, 3, 4, 5, 6]

describe('what a keeper sees of a group, by hand', () => {
  const z = new Float64Array(model.size)
  const set = { [LOWEST!]: -0.4, [STEP!]: 0.3, [ERROR_A!]: 0.5, [ERROR_B!]: -0.5, [SHIFT!]: 1, [YEAR!]: 2, [SEXES!]: 1 }
  for (const [i, value] of Object.entries(set)) z[Number(i)] = value
  const { chances, eyes, sexes } = model.run(z, 0.4)
  const low = -1 / 2 + LINE_PRIOR.lowest * -0.4
  const cuts = [low, low + Math.exp(LINE_PRIOR.steps * 0.3)]
  const blur = (at: number) => (LINE_PRIOR.blur * Math.exp(LINE_PRIOR.blurSd * at)) ** 2
  const expected = (mean: number, sd: number) => {
    const [a, b] = cuts.map(cut => normalBelow(cut, mean, sd)) as [number, number]
    return [a, b - a, 1 - b]
  }
  const near = (from: number, shares: number[]) => {
    for (const [k, share] of shares.entries()) expect(chances[from + k]).toBeCloseTo(share, 6)
  }
  it('has its latents where they are said to be', () => {
    expect(model.size).toBe(7)
    expect(eyes.get('A')!.cuts[1]).toBeCloseTo(cuts[1]!, 9)
    expect(eyes.get('A')!.shift).toBe(0)
    expect(eyes.get('B')).toMatchObject({ shift: LINE_PRIOR.shift, blur: expect.closeTo(blur(-0.5), 9) })
    expect(sexes).toBe(LINE_PRIOR.sexes / 2)
  })
  it('females lie above males, and both together are wider', () => {
    const year = 2 * LINE_PRIOR.environment
    near(0, expected(year + sexes, Math.sqrt(1 + blur(0.5))))
    near(3, expected(year - sexes, Math.sqrt(1 + blur(0.5))))
    near(6, expected(year, Math.sqrt(1 + blur(0.5) + sexes ** 2)))
  })
  it('another keeper has another shift and error', () => {
    near(9, expected(2 * LINE_PRIOR.environment + LINE_PRIOR.shift, Math.sqrt(1 + blur(-0.5) + sexes ** 2)))
  })
  it('is the same when only what follows a latent is reckoned anew', () => {
    const line = lineOf(Array.from({ length: 4 }, () => ({ counts: [20, 30, 10], kept: [0, 4, 6] })))
    const whole = lineModel(line)
    const at = Float64Array.from({ length: whole.size }, (_, i) => 0.1 * ((i % 5) - 2))
    const run = whole.run(at, 0.3)
    for (let i = 0; i < whole.size; i++) {
      const moved = at.slice()
      moved[i]! += 0.5
      const [all, part] = [whole.run(moved, 0.3), whole.run(moved, 0.3, { run, latent: i })]
      expect([...part.chances]).toEqual([...all.chances])
      expect(part.standings).toEqual(all.standings)
    }
  })
})
