import { describe, expect, it } from 'vitest'
import { densityOf, joinFrames, PRACTICE_DM2, tallyMarks } from '#core/counting'

describe('frames of a photo count', () => {
  it('marks are told apart by stage', () => {
    expect(tallyMarks([{ stage: 'grown' }, { stage: 'young' }, { stage: 'grown' }])).toEqual({
      grown: 2,
      halfGrown: 0,
      young: 1,
    })
  })
  it('several frames are averaged, and their parts never add up to more than the number', () => {
    const joined = joinFrames([
      { grown: 10, halfGrown: 4, young: 0 },
      { grown: 13, halfGrown: 5, young: 1 },
    ])!
    expect(joined).toMatchObject({
      mean: 16.5,
      series: [14, 19],
      mostly: 'grown',
      parts: { unsexed: 12, halfGrown: 5, young: 1 },
    })
    expect(joined.number).toBe(18)
    expect(joinFrames([{ grown: 1, halfGrown: 9, young: 0 }])!.mostly).toBe('halfGrown')
  })
  it('nothing marked is no count', () => {
    expect(joinFrames([])).toBeNull()
    expect(joinFrames([{ grown: 0, halfGrown: 0, young: 0 }])).toBeNull()
  })
  it('crowding goes by what the picture shows', () => {
    expect(densityOf(60, 30, { width: 900, height: 600 })).toBeCloseTo(60 / PRACTICE_DM2, 9)
    expect(densityOf(60, 60, { width: 900, height: 600 })).toBeCloseTo(60 / (4 * PRACTICE_DM2), 9)
    expect(densityOf(60, Number.NaN, { width: 900, height: 600 })).toBeCloseTo(60 / PRACTICE_DM2, 9)
  })
})
