import { describe, expect, it } from 'vitest'
import { fitLine, inbreedingOfGroups, nextGeneration, varietyAmong } from '#core/lines'
import { bred, graded, lineOf } from '../unit/lines/historyParts'

/** What breeders of shrimp know (common practice, no source): the model has to say it too. */
const line = lineOf([
  { counts: [25, 40, 25, 10], kept: [0, 0, 8, 8] },
  { counts: [14, 36, 32, 18], kept: [0, 0, 8, 8] },
  { counts: [8, 28, 36, 28], kept: [0, 0, 8, 8] },
  { counts: [4, 21, 38, 37], kept: [0, 0, 8, 8] },
])

describe('common practice of selection', () => {
  it('removing the dull ones raises the shares, and removing more raises them more', () => {
    const fit = fitLine(line)
    const best = (rungs: readonly number[]) =>
      nextGeneration(fit, { breeders: [bred('g3', rungs, 'mixed')], young: 200 }).upFrom[2]!.value
    const [all, noDull, onlyBest] = [best([4, 21, 38, 37]), best([0, 0, 38, 37]), best([0, 0, 0, 37])]
    expect(noDull).toBeGreaterThan(all + 0.02)
    expect(onlyBest).toBeGreaterThan(noDull + 0.01)
  })
  it('lines that cross fall back to dull within a generation', () => {
    // strangers as dull as the first generation were, graded by the same keeper
    const stranger = { ...line.groups[0]!, id: 'strangers', period: 'p3', gradings: [graded([25, 40, 25, 10])] }
    const fit = fitLine({ ...line, groups: [...line.groups, stranger] })
    const shares = (sire: string) =>
      nextGeneration(fit, {
        breeders: [bred(sire, sire === 'g3' ? [0, 0, 4, 4] : [2, 3, 2, 1], 'male'), bred('g3', [0, 0, 8, 8], 'female')],
        young: 200,
      }).upFrom[2]!.value
    expect(shares('strangers')).toBeLessThan(shares('g3') - 0.1)
  })
  it('one best male with several females raises kinship fast', () => {
    const box = (males: number) =>
      lineOf(Array.from({ length: 5 }, () => ({ counts: [25, 40, 25, 10], kept: [0, 0, 0, 8] }))).groups.map(g => ({
        ...g,
        breeders: g.breeders.map(b => (b.sex === 'male' ? { ...b, number: males, rungs: [0, 0, 0, males] } : b)),
      }))
    const f = (males: number) => inbreedingOfGroups(box(males)).of.get('g4')!
    expect(f(1).value).toBeGreaterThan(0.2)
    expect(f(1).low).toBeGreaterThan(f(6).high)
    const rate = (males: number) =>
      varietyAmong([bred('g', [0, 0, 0, males], 'male'), bred('g', [0, 0, 0, 8], 'female')]).perGeneration
    expect(rate(1)).toBeGreaterThan(3 * rate(6))
  })
})
