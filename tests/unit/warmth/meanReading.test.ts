import { describe, expect, it } from 'vitest'
import { meanReading } from '#core/warmth'

describe('how warm a water was', () => {
  const readings = [20, 24, 26, 28].map((value, at) => ({ at, value }))
  it('is the mean of the readings of that time, its ends among them', () => {
    expect(meanReading(readings, 1, 2)).toEqual({ meanC: 25, readings: 2 })
    expect(meanReading(readings, 0, 9)).toEqual({ meanC: 24.5, readings: 4 })
  })
  it('is not known where nobody measured then', () => expect(meanReading(readings, 5, 9)).toBeNull())
})
