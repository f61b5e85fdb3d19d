import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { arriving, BROOD_SPREAD } from '../../core/population/eggPasses'
import { FIRST, ROWS } from '../../core/population/stages'

/**
 * Three broods each of fifty water fleas, ten at each strength of a herbicide. Source: Bailer & Oris (1994), in: Lange
 * et al. (eds), Case Studies in Biometry, Wiley, 25; data set `nitrofen` of the R package boot.
 */
const animals = Papa.parse<Record<'conc' | 'brood1' | 'brood2' | 'brood3' | 'total', number>>(
  readFileSync('tests/reference/data/nitrofen.csv', 'utf8'),
  { header: true, dynamicTyping: true, skipEmptyLines: true },
).data
const broodsOf = (conc: number) => animals.filter(a => a.conc === conc).map(a => [a.brood1, a.brood2, a.brood3])
const mean = (x: readonly number[]) => x.reduce((a, b) => a + b, 0) / x.length
const spread = (x: readonly number[]) =>
  Math.sqrt(x.reduce((s, v) => s + (v - mean(x)) ** 2, 0) / (x.length - 1)) / mean(x)

/** What comes of so many broods that hatch together, when all come up. */
function young(broodSize: number, broods: number, size = 20_000): number[] {
  const cloud = new Float64Array(ROWS * size)
  const conditions = {
    ...{ half: new Float64Array(size), loss: new Float64Array(size), laid: new Float64Array(size) },
    ...{ died: new Float64Array(size), comeUp: new Float64Array(size).fill(1) },
    stream: Int32Array.from({ length: size }, (_, i) => Math.imul(i + 1, 0x9e3779b1)),
    hatched: new Float64Array(size).fill(broods),
  }
  arriving(broodSize)({ cloud, size }, conditions, {})
  return [...cloud.subarray(FIRST * size, (FIRST + 1) * size)]
}

describe('sizes of broods against fifty water fleas (Bailer & Oris 1994)', () => {
  it('the data are whole: totals are the sums of three broods', () => {
    expect(animals).toHaveLength(50)
    for (const a of animals) expect(a.brood1 + a.brood2 + a.brood3).toBe(a.total)
  })
  it('one brood differs by more than those of one age, by less than those of all ages', () => {
    const control = broodsOf(0)
    const sameAge = [0, 1, 2].map(nth => spread(control.map(b => b[nth]!)))
    expect(Math.max(...sameAge)).toBeLessThan(BROOD_SPREAD)
    expect(spread(control.flat())).toBeGreaterThan(BROOD_SPREAD)
    const modelled = spread(young(mean(control.flat()), 1))
    expect(modelled).toBeGreaterThan(Math.max(...sameAge))
    expect(modelled).toBeLessThan(spread(control.flat()))
  })
  it('three broods give the mean of the data, and a spread that their totals lie within', () => {
    const totals = broodsOf(0).map(b => b.reduce((a, c) => a + c, 0))
    const modelled = young(mean(totals) / 3, 3).toSorted((a, b) => a - b)
    expect(mean(modelled)).toBeCloseTo(mean(totals), 0)
    const [low, high] = [modelled[200]!, modelled[19_800]!]
    for (const t of totals) expect(t > low && t < high).toBe(true)
    // animals that nobody feeds alike differ by more than those in beakers do, and not by more than twice as much
    expect(spread(modelled)).toBeGreaterThan(spread(totals))
    expect(spread(modelled)).toBeLessThan(2 * spread(totals))
  })
})
