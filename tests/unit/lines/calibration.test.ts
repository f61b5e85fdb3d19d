import { describe, expect, it } from 'vitest'
import { breedLines, linesTable } from '../../../scripts/calibration/lineRanges'
import { livedThrough } from '../../../scripts/calibration/rolling'

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

describe('a colony that breeds all the time', () => {
  it('is the same until a stranger comes, and duller by what he sired when his young are grown', () => {
    const stranger = { week: 40, lives: 26, share: 0.6, below: 3 }
    const lived = Array.from({ length: 6 }, (_, seed) =>
      [{}, { stranger }, { stranger: { ...stranger, lives: 4 } }].map(
        more => livedThrough(seed, { weeks: 80, ...more }).values,
      ),
    )
    for (const [alone, visited] of lived) expect(visited!.slice(0, 40)).toEqual(alone!.slice(0, 40))
    const [long, short] = [1, 2].map(
      way => lived.reduce((sum, values) => sum + values[0]![75]! - values[way]![75]!, 0) / lived.length,
    ) as [number, number]
    // not all of the grown are of his time: some are older, and the dullest were taken out
    expect(long).toBeGreaterThan(0.2)
    expect(long).toBeLessThan(1.5)
    // one that is found after a month has done less
    expect(short).toBeLessThan(0.6 * long)
  })
})
