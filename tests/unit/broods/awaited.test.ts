import { describe, expect, it } from 'vitest'
import { animalIdOf, DAY_MS } from '#core/records'
import { berried, broodsFrom, colonyId, day } from './parts'
import { NOW } from '../../make'

const neo = (...entries: Parameters<typeof broodsFrom>[1]) => broodsFrom('neocaridina', entries).lines
const vesta = animalIdOf(colonyId, 'Vesta')
const of = (days: number, number: number) => berried(days, number, { animal: 'Vesta' })

describe('eggs that a saddle lets expect', () => {
  it('come after the next molt: within one interval of grown ones', () => {
    const [line] = neo(berried(5, 0, { saddle: 3 }))
    expect(line).toMatchObject({ awaits: 'saddle', number: 3, who: null, eyed: false })
    // four weeks from the look on, each day as likely
    expect(day(line!.hatch.begunFromMs)).toBeCloseTo(-5 + 0.1 * 28, 0)
    expect(day(line!.hatch.begunToMs)).toBeCloseTo(-5 + 0.9 * 28, 0)
    // and hatch after the days that eggs take
    expect(day(line!.hatch.likelyMs)).toBeGreaterThan(28)
  })
  it('are expected no more when the molt must have come, or when a look found no saddle', () => {
    expect(neo(berried(30, 0, { saddle: 3 }))).toEqual([])
    expect(neo(berried(5, 0, { saddle: 3 }), berried(2, 0, { saddle: 0 }))).toEqual([])
    expect(neo(berried(5, 0, { saddle: 0 }))).toEqual([])
    // a look that says nothing of saddles leaves them, later
    const [later] = neo(berried(9, 0, { saddle: 2 }), berried(1, 0))
    expect(later!.hatch.begunFromMs).toBeGreaterThan(NOW - DAY_MS)
  })
  it('stand beside those that are carried, and are none of them', () => {
    const lines = neo(berried(9, 0), berried(5, 2, { saddle: 4 }))
    expect(lines.map(l => [l.awaits, l.number])).toEqual([
      [null, 2],
      ['saddle', 4],
    ])
  })
  it('of one that is followed by her name it says nothing of the others', () => {
    expect(neo(berried(5, 0, { saddle: 1, animal: 'Vesta' }))).toEqual([])
  })
})

describe('eggs that come after a rest', () => {
  const hatched = [of(40, 0), of(37, 1), of(14, 1), of(12, 0), of(10, 0)]
  it('of a followed female whose last brood hatched', () => {
    const line = broodsFrom('bee-shrimp', hatched).lines.find(l => l.awaits === 'rest')!
    expect(line).toMatchObject({ who: vesta, number: 1 })
    expect(line.hatch.begunFromMs).toBeLessThan(line.hatch.begunToMs)
    expect(line.hatch.begunFromMs).toBeGreaterThan(NOW - 12 * DAY_MS)
  })
  it('end as soon as she carries again, and when the rest has long been over', () => {
    const again = broodsFrom('bee-shrimp', [...hatched, of(2, 1)]).lines
    expect(again.map(l => l.awaits)).toEqual([null])
    const old = [of(100, 0), of(97, 1), of(74, 1), of(72, 0), of(70, 0)]
    expect(broodsFrom('bee-shrimp', old).lines).toEqual([])
  })
  it('are not promised after a brood that was lost', () => {
    expect(broodsFrom('bee-shrimp', [of(16, 0), of(14, 1), of(12, 0), of(10, 0)]).lines).toEqual([])
  })
})
