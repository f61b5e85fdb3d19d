import { describe, expect, it } from 'vitest'
import { readLine, tellLine } from '#core/lines'
import { nextId } from '../../make'
import { breedLine } from './lineParts'

const rising = [
  [30, 40, 20, 10],
  [18, 36, 30, 16],
  [10, 30, 35, 25],
  [6, 22, 38, 34],
]
const still = rising.map(() => [30, 40, 20, 10])

/** A line of which a second colony is left to itself and graded beside each generation. */
function lineBeside(spare: readonly (readonly number[])[] | null, graded = rising) {
  const l = breedLine()
  const spareId = nextId()
  let groups: string[] = []
  for (const [t, counts] of graded.entries()) {
    const days = 100 * (graded.length - t)
    const generation = l.generation(days, groups)
    l.grade(days - 2, l.spread(counts, 'unknown'), { generationId: generation.id })
    if (spare) l.grade(days - 3, l.spread(spare[t]!, 'unknown'), { colonyId: spareId })
    const parents = [...l.spread([0, 0, 6, 10], 'female'), ...l.spread([0, 0, 4, 8], 'male')]
    if (t < graded.length - 1) groups = [l.breed(days - 5, generation.id, parents).id]
  }
  const line = spare ? { ...l.line, spareColonyId: spareId } : l.line
  const records = { ...l.records(), line }
  return { records, told: () => tellLine(records, 0.25)!.told, spareId }
}

describe('a spare glass in which nobody chooses', () => {
  it('is no generation of the line, and grows up beside each', () => {
    const { records } = lineBeside(still)
    const { history, generations } = readLine(records)
    expect(generations.map(g => g.counts)).toEqual(rising)
    expect(history.groups.map(g => g.spare ?? false)).toEqual([false, true, false, true, false, true, false])
    const [first, spare, second, next] = history.groups
    expect(spare).toMatchObject({ period: second!.id, size: 100 })
    expect(spare!.breeders.map(b => [b.groupId, b.sex, b.number, b.rungs])).toEqual([
      [first!.id, 'male', 50, null],
      [first!.id, 'female', 50, null],
    ])
    expect(history.groups[3]!.breeders[0]!.groupId).toBe(spare!.id)
    expect(next!.spare).toBe(true)
    // founders are all that there is: what was graded of them apart makes no group
    expect(history.groups.filter(g => g.spare).length).toBe(rising.length - 1)
  })
  it('that stays as it was says that breeding did it; one that rises as fast says that food did', () => {
    const [bred, fed] = [lineBeside(still).told(), lineBeside(rising).told()]
    expect(bred.heritability.value).toBeGreaterThan(fed.heritability.value + 0.05)
    expect(bred.heading).toBe('rising')
    expect(fed.spare!.meanRung).toBeCloseTo(fed.spare!.ofLine, 9)
    expect(bred.spare).toEqual({ meanRung: 2.1, ofLine: 3 })
    expect(lineBeside(null).told().spare).toBeNull()
  })
  it('narrows what is known of the line, since a good year is one no longer', () => {
    const alone = lineBeside(null).told().heritability
    const beside = lineBeside(still).told().heritability
    expect(beside.high - beside.low).toBeLessThan(alone.high - alone.low)
  })
  it('does not tell what is foreseen of the generation that it grew up with', () => {
    const quiet = lineBeside(still)
    // a year that was bad for both: the forecast does not know of it
    const bad = lineBeside([...still.slice(0, 3), [70, 25, 5, 0]])
    expect(bad.told().came!.forecast.meanRung.value).toBeCloseTo(quiet.told().came!.forecast.meanRung.value, 9)
  })
  it('takes no part in other traits or in how many young are thought of', () => {
    const small = lineBeside(still.map(() => [6, 8, 4, 2]))
    const groups = readLine(small.records).history.groups
    expect(groups.at(-1)!.spare).toBeUndefined()
    const pace = small.told().pace!
    expect(Math.abs(pace - lineBeside(null).told().pace!)).toBeLessThan(0.08)
  })
})
