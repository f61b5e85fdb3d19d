import { describe, expect, it } from 'vitest'
import { doing, lastSeen } from '#core/care'
import { DAY_MS } from '#core/records'
import { entryOf, nextId, NOW, removal } from '../../make'
import { colonyId, itemOf } from './rooms'

describe('grading a generation', () => {
  it('is due when its first are grown, and no touch does it', () => {
    expect(itemOf('grade')).toBeUndefined()
    const due = itemOf('grade', { grownMs: NOW - DAY_MS })!
    expect(due).toMatchObject({ dueMs: NOW - DAY_MS, everyDays: null, colonyId, why: { key: 'gradeGrown' } })
    expect(doing(due)).toBeNull()
    expect(itemOf('grade', { grownMs: NOW + 40 * DAY_MS })!.dueMs).toBe(NOW + 40 * DAY_MS)
    expect(due.values).toEqual({})
  })
  it('is due again where they breed all the time, when half of the grown are new', () => {
    const due = itemOf('grade', { halfNewMs: NOW - DAY_MS })!
    expect(due).toMatchObject({ dueMs: NOW - DAY_MS, why: { key: 'gradeHalfNew' }, values: { again: 1 } })
    expect(itemOf('grade', { grownMs: NOW, halfNewMs: NOW - DAY_MS })).toMatchObject({
      ...{ dueMs: NOW, why: { key: 'gradeGrown' } },
    })
  })
})

describe('dull ones that were seen', () => {
  const seen = (days: number, number: number) => entryOf('dull', days, { colonyId, number })
  const left = (...colonyEntries: ReturnType<typeof seen>[]) => itemOf('takeOut', { colonyEntries })?.values.n ?? 0
  it('are to come out until they have, and a newer look counts instead of an older one', () => {
    expect(left(seen(5, 3))).toBe(3)
    expect(left(seen(5, 3), removal(colonyId, 4, 2))).toBe(1)
    expect(left(seen(5, 3), removal(colonyId, 4, 2), removal(colonyId, 3, 1))).toBe(0)
    expect(left(removal(colonyId, 6, 3), seen(5, 3))).toBe(3)
    expect(left(seen(9, 8), seen(5, 1))).toBe(1)
    expect(left(seen(9, 8), seen(5, 0))).toBe(0)
    expect(left(seen(5, 3), entryOf('move', 4, { colonyId, toColonyId: nextId(), number: 2 }))).toBe(1)
    // who comes in is none of those that were seen
    expect(left(seen(5, 3), entryOf('move', 4, { colonyId: nextId(), toColonyId: colonyId, number: 2 }))).toBe(3)
  })
  it('stand under their counter on the round', () => {
    expect(lastSeen('dull', [seen(5, 3)], NOW)).toEqual({ seen: 3, days: 5 })
  })
})
