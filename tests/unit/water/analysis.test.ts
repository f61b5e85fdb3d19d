import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  adjustTo,
  caMgByMass,
  chargeBalance,
  completeAnalysis,
  doseOf,
  dissolve,
  estimateConductivity,
  ghOf,
  ionKeys,
  khOf,
  molarMass,
  pureWater,
  readoutsOf,
  sourceWater,
} from '#core/water'
import { daysAgo } from '../../make'

const degrees = (max: number) => fc.double({ min: 0, max, noNaN: true })

describe('completeAnalysis', () => {
  it('keeps what was measured, to the last digit', () => {
    fc.assert(
      fc.property(degrees(25), degrees(18), (ghDh, khDh) => {
        const { water } = completeAnalysis({ ghDh, khDh })
        expect(ghOf(water)).toBeCloseTo(ghDh, 9)
        expect(khOf(water)).toBeCloseTo(khDh, 9)
      }),
    )
  })
  it('balances charges with ions that were not measured, and says so', () => {
    fc.assert(
      fc.property(degrees(25), degrees(18), (ghDh, khDh) => {
        const { water } = completeAnalysis({ ghDh, khDh })
        const { cationsMeqL, anionsMeqL } = chargeBalance(water)
        expect(Math.abs(cationsMeqL - anionsMeqL)).toBeLessThan(1e-9)
        for (const key of ionKeys) expect(water[key]).toBeGreaterThanOrEqual(0)
      }),
    )
    expect(completeAnalysis({ ghDh: 4, khDh: 9 }).assumptions).toEqual(
      expect.arrayContaining(['caMgSplit', 'sodiumBalances']),
    )
    expect(completeAnalysis({ ghDh: 9, khDh: 4 }).assumptions).toEqual(expect.arrayContaining(['chlorideSulfateSplit']))
  })
  it('gives a range that holds its own answer, and closes as more is known', () => {
    const rough = completeAnalysis({ ghDh: 12, khDh: 6 })
    const fine = completeAnalysis({
      calciumMgL: 70,
      magnesiumMgL: 10,
      khDh: 6,
      sodiumMgL: 22,
      chlorideMgL: 40,
      sulfateMgL: 60,
    })
    for (const key of ionKeys) {
      expect(rough.range[key][0]).toBeLessThanOrEqual(rough.water[key] + 1e-12)
      expect(rough.range[key][1]).toBeGreaterThanOrEqual(rough.water[key] - 1e-12)
    }
    expect(rough.range.caMmolL[1] - rough.range.caMmolL[0]).toBeGreaterThan(0.1)
    expect(fine.range.caMmolL[1] - fine.range.caMmolL[0]).toBeLessThan(1e-9)
    expect(fine.balance).not.toBeNull()
    expect(rough.balance).toBeNull()
  })
  it('finds that a report does not balance', () => {
    expect(
      completeAnalysis({ calciumMgL: 70, magnesiumMgL: 10, khDh: 6, sodiumMgL: 122, chlorideMgL: 10, sulfateMgL: 10 })
        .balance?.acceptable,
    ).toBe(false)
  })
  it('explains conductivity beyond the ions as salt where both are open', () => {
    const plain = completeAnalysis({ ghDh: 6, khDh: 4 })
    const salty = completeAnalysis({ ghDh: 6, khDh: 4, conductivityUsCm: 500 })
    expect(salty.water.clMmolL).toBeGreaterThan(plain.water.clMmolL + 1)
    expect(estimateConductivity(salty.water)).toBeCloseTo(500, 3)
  })
  it('guesses from conductivity alone, and says that it does', () => {
    const guess = completeAnalysis({ conductivityUsCm: 330 })
    expect(guess.assumptions).toContain('hardnessFromConductivity')
    expect(ghOf(guess.water)).toBeGreaterThan(5)
    expect(ghOf(guess.water)).toBeLessThan(12)
  })
  it('takes the sea as it is', () => {
    const sea = completeAnalysis({ salinityGKg: 35 })
    expect(sea.water.caMmolL * molarMass.Ca).toBeCloseTo(421, -1)
    expect(sea.assumptions).toEqual(['seaSaltProportions'])
    expect(readoutsOf(sea.water).salinityGKg).toBeCloseTo(35, 1)
  })
  it('keeps Ca to Mg that is known otherwise', () => {
    expect(caMgByMass(completeAnalysis({ ghDh: 6, khDh: 1 }, { caMgByMass: 3 }).water)).toBeCloseTo(3, 6)
  })
})

describe('adjustTo', () => {
  const made = completeAnalysis({ ghDh: 6, khDh: 4, conductivityUsCm: 280 }, { caMgByMass: 3 }).water
  it('sets what was read and keeps the proportions of the rest', () => {
    const read = adjustTo(made, { ghDh: 7, khDh: 3, conductivityUsCm: 300 })
    expect(ghOf(read)).toBeCloseTo(7, 9)
    expect(khOf(read)).toBeCloseTo(3, 9)
    expect(estimateConductivity(read)).toBeCloseTo(300, 6)
    expect(caMgByMass(read)).toBeCloseTo(3, 6)
  })
  it('takes a calcium reading for calcium alone', () => {
    const read = adjustTo(made, { ghDh: 7, calciumMgL: 30 })
    expect(read.caMmolL * molarMass.Ca).toBeCloseTo(30, 9)
    expect(ghOf(read)).toBeCloseTo(7, 9)
  })
  it('never leaves an amount negative', () => {
    fc.assert(
      fc.property(degrees(20), degrees(15), degrees(400), (ghDh, khDh, nitrateMgL) => {
        const read = adjustTo(made, { ghDh, khDh, nitrateMgL })
        for (const key of ionKeys) expect(read[key]).toBeGreaterThanOrEqual(-1e-12)
      }),
    )
  })
})

describe('sourceWater', () => {
  const analysis = (days: number, values: object, by: 'supplier' | 'ownTest' = 'ownTest') => ({
    at: daysAgo(days),
    by,
    values,
  })
  it('takes the newest analysis of the ions, brought in line with later quick tests', () => {
    const source = sourceWater({
      kind: 'tap',
      analyses: [
        analysis(10, { ghDh: 12, khDh: 5 }),
        analysis(200, { calciumMgL: 71, magnesiumMgL: 13.6, khDh: 6.2, sodiumMgL: 22 }, 'supplier'),
      ],
    })!
    expect(ghOf(source.water)).toBeCloseTo(12, 9)
    expect(caMgByMass(source.water)).toBeCloseTo(71 / 13.6, 6)
    expect(source.completed.measured).toContain('calciumMgL')
  })
  it('knows pure water without a test, and nothing of an untested tap', () => {
    expect(sourceWater({ kind: 'pure', analyses: [] })?.water).toEqual(pureWater)
    expect(sourceWater({ kind: 'tap', analyses: [] })).toBeNull()
  })
})

describe('a mineral mix', () => {
  it('raises what its label says, and conducts as it says', () => {
    const mix = doseOf({ by: 'mix', ghDh: 33, khDh: 8, conductivityUsCm: 1300, caMgByMass: 4 })
    const made = dissolve(pureWater, 100, [{ dose: mix, grams: 20 }])
    expect(ghOf(made)).toBeCloseTo(6.6, 6)
    expect(khOf(made)).toBeCloseTo(1.6, 6)
    expect(estimateConductivity(made)).toBeCloseTo(260, -1)
    expect(Math.abs(chargeBalance(made).errorShare)).toBeLessThan(1e-9)
  })
})
