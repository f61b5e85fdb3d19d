import { describe, expect, it } from 'vitest'
import { rootBetween } from '#core/stats'

describe('where a function crosses nought', () => {
  it('is found to the last digits, in few steps', () => {
    let asked = 0
    const root = rootBetween(
      x => {
        asked++
        return x * x * x - 2
      },
      0,
      8,
    )
    expect(root).toBeCloseTo(Math.cbrt(2), 11)
    expect(asked).toBeLessThan(30)
    expect(rootBetween(x => x - 3, 3, 4)).toBeCloseTo(3, 11)
    expect(rootBetween(x => Math.log(x), 0, 5)).toBeCloseTo(1, 11)
  })
  it('stays between the bounds where the function jumps or is not finite', () => {
    const jump = rootBetween(x => (x < 0.3 ? -1 : 1), 0, 1)
    expect(jump).toBeCloseTo(0.3, 10)
    expect(rootBetween(x => (x < 2 ? -Infinity : x - 2.5), 0, 4)).toBeCloseTo(2.5, 11)
  })
  it('refuses bounds out of order', () => {
    expect(() => rootBetween(x => x, 1, 1)).toThrow(/lower bound/)
  })
})
