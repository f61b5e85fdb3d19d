import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { expectedMolts } from '#core/molts'

describe('expectedMolts', () => {
  const molts = groupOf('neocaridina').care.molts
  it('grows with animals and days, and keeps the range', () => {
    const week = expectedMolts(molts, { value: 40, low: 20, high: 80 }, 7)!
    expect(week.low).toBeCloseTo(week.value / 2, 9)
    expect(week.high).toBeCloseTo(week.value * 2, 9)
    expect(expectedMolts(molts, { value: 40, low: 20, high: 80 }, 14)!.value).toBeCloseTo(2 * week.value, 9)
    // between all grown (10) and all young (40)
    expect(week.value).toBeGreaterThan(10)
    expect(week.value).toBeLessThan(40)
  })
  it('follows the stages: all grown shed one in four weeks, all young one a week', () => {
    const of = (share: number) => expectedMolts(molts, { value: 40, low: 20, high: 80 }, 7, share)!.value
    expect(of(0)).toBeCloseTo(10, 9)
    expect(of(1)).toBeCloseTo(40, 9)
    expect(of(0.5)).toBeCloseTo(25, 9)
  })
  it('is silent about animals that do not molt, and about no time', () => {
    expect(expectedMolts(groupOf('ramshorn-snail').care.molts, { value: 9, low: 9, high: 9 }, 7)).toBeNull()
    expect(expectedMolts(molts, { value: 9, low: 9, high: 9 }, 0)).toBeNull()
  })
})
