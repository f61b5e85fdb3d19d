import { describe, expect, it } from 'vitest'
import { gradeAgainMs, stretchesOf } from '#core/lines'
import { type EntryOf, WEEK_MS } from '#core/records'
import { entryOf, nextId, NOW } from '../../make'

const [colonyId, ladderId] = [nextId(), nextId()]
const seen = [{ rungId: nextId(), sex: 'unknown', number: 1 }]

const graded = (days: number) => entryOf('grading', days, { colonyId, ladderId, seen }) as EntryOf<'grading'>

describe('gradings of animals that breed all the time', () => {
  it('belong together where they lie less than five weeks apart, from the first of them on', () => {
    const [a, b, c, d] = [graded(100), graded(66), graded(65), graded(1)]
    const parts = stretchesOf([d, b, a, c])
    expect(parts.map(p => p.own.map(e => e.id))).toEqual([[a.id, b.id], [c.id], [d.id]])
    expect(parts.map(p => [p.id, p.n, p.fromMs])).toEqual([a, c, d].map((e, i) => [e.id, i + 1, Date.parse(e.at)]))
    expect(stretchesOf([])).toEqual([])
  })
  it('come again when half of the grown are new', () => {
    expect(gradeAgainMs(NOW, { halfNewWeeks: 6 })).toBe(NOW + 6 * WEEK_MS)
  })
})
