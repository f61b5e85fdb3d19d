import { describe, expect, it } from 'vitest'
import { drawFutureNoise, numberAfter, starterModel, weeksToReach } from '#core/population'
import { seededRandom } from '#core/stats'

const noise = drawFutureNoise(seededRandom(5), 200, 156)
const model = (starters: number, growth = 0.065) => starterModel(starters, { value: growth, sd: 0.045 }, 0.12, 540)

describe('weeksToReach', () => {
  it('more starters are there sooner (common practice: 20 instead of 5 saves months)', () => {
    const few = weeksToReach(100, model(5), noise)
    const many = weeksToReach(100, model(20), noise)
    expect(few.p50 - many.p50).toBeGreaterThan(8)
    expect(many.p10).toBeLessThanOrEqual(many.p50)
    expect(many.p50).toBeLessThanOrEqual(many.p90)
    expect(many.reachedShare).toBeGreaterThan(0.8)
  })
  it('is never where the colony only shrinks', () => {
    const never = weeksToReach(100, model(10, -0.2), noise)
    expect(never.p50).toBe(Infinity)
    expect(never.reachedShare).toBeLessThan(0.1)
  })
  it('is at once where they are there already', () => {
    expect(weeksToReach(5, model(20), noise).p50).toBe(0)
    expect(() => starterModel(0, { value: 0, sd: 0 }, 0.1, 10)).toThrow(/starters/)
  })
})

describe('numberAfter', () => {
  it('gives a range that grows with time', () => {
    const soon = numberAfter(4, model(20), noise)
    const later = numberAfter(40, model(20), noise)
    expect(later.p90 / later.p10).toBeGreaterThan(soon.p90 / soon.p10)
    expect(() => numberAfter(200, model(20), noise)).toThrow(/weeks/)
  })
})
