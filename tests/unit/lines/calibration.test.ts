import { describe, expect, it } from 'vitest'
import { breedLines, linesTable } from '../../../scripts/calibration/lineRanges'

/** A small version of `npm run calibrate … lines`: enough to see that something broke. */
describe('lines of single genes that the model does not know', () => {
  it('ranges hold about as often as they say, and forecasts beat the last grading', () => {
    const table = linesTable(breedLines(Array.from({ length: 12 }, (_, i) => 70 + i)))
    for (const share of [table.heritabilityHeld, table.inbreedingHeld]) expect(share).toBeGreaterThan(0.45)
    expect(Math.abs(table.sharesHeld - 0.8)).toBeLessThan(0.2)
    expect(table.heritabilityWidth).toBeLessThan(0.4)
    expect(Math.abs(table.heritabilityOff)).toBeLessThan(0.12)
    expect(table.sharesOff).toBeLessThan(table.asLastOff)
    expect(Math.abs(table.inbreedingOff)).toBeLessThan(0.04)
    expect(table.bySexesOff).toBeLessThan(table.inbreedingOff)
  })
})
