import { describe, expect, it } from 'vitest'
import {
  Colony,
  Entry,
  Glass,
  netLitres,
  possibleRange,
  subjectOf,
  TargetOverride,
  toMoment,
  valueKeys,
  worstState,
} from '#core/records'
import { colony, count, daysAgo, glass, nextId, note, NOW, test as waterTest } from '../../make'

const issueOf = (raw: object) => {
  const read = Entry.safeParse(raw)
  return read.success ? null : read.error.issues[0]!.message
}
const base = () => ({ id: nextId(), at: daysAgo(1), loggedAt: daysAgo(1), colonyId: nextId() })

describe('Entry', () => {
  it('keeps a count as it is', () => {
    const raw = { ...base(), kind: 'count', number: 42, method: 'allSeen', text: 'after feeding' }
    expect(Entry.parse(raw)).toEqual(raw)
  })
  it('wants the share of the tank with a count of a part, and only there', () => {
    const part = { ...base(), kind: 'count', number: 9, method: 'partOfTank' }
    expect(issueOf(part)).toContain('share')
    expect(issueOf({ ...part, share: 0.25 })).toBeNull()
    expect(issueOf({ ...part, method: 'allSeen', share: 0.25 })).toContain('share')
    expect(issueOf({ ...part, share: 0 })).toContain('above 0')
  })
  it('refuses parts that add up to more than the number', () => {
    expect(
      issueOf({ ...base(), kind: 'addition', number: 5, origin: 'bought', parts: { females: 4, males: 2 } }),
    ).toContain('add up')
    expect(
      issueOf({ ...base(), kind: 'addition', number: 6, origin: 'bought', parts: { females: 4, males: 2 } }),
    ).toBeNull()
  })
  it.each([
    ['number below none', { kind: 'count', number: -1, method: 'allSeen' }],
    ['half an animal', { kind: 'count', number: 1.5, method: 'allSeen' }],
    ['none taken out', { kind: 'removal', number: 0, outlet: 'sold' }],
    ['an unknown kind', { kind: 'molt', number: 1 }],
    ['an unknown field', { kind: 'death', number: 1, sign: 'unknown', colour: 'red' }],
  ])('refuses %s', (_name, more) => {
    expect(issueOf({ ...base(), ...more })).not.toBeNull()
  })
  it('catches slips in water values', () => {
    const test = (key: string, value: number) =>
      issueOf({
        id: nextId(),
        at: daysAgo(1),
        loggedAt: daysAgo(1),
        glassId: nextId(),
        kind: 'waterTest',
        readings: { [key]: { value, method: 'probe' } },
      })
    for (const key of valueKeys) {
      const [low, high] = possibleRange[key]
      expect(test(key, low)).toBeNull()
      expect(test(key, high)).toBeNull()
      expect(test(key, high + 1)).toContain('or less')
    }
    expect(test('ph', 71)).toBe('must be 11 or less')
  })
  it('wants at least one value in a water test', () => {
    expect(
      issueOf({
        id: nextId(),
        at: daysAgo(1),
        loggedAt: daysAgo(1),
        glassId: nextId(),
        kind: 'waterTest',
        readings: {},
      }),
    ).toContain('at least one')
  })
  it('wants one owner for a note', () => {
    const own = { id: nextId(), at: daysAgo(1), loggedAt: daysAgo(1), kind: 'note', text: 'x' }
    expect(issueOf(own)).toContain('belongs')
    expect(issueOf({ ...own, colonyId: nextId() })).toBeNull()
    expect(issueOf({ ...own, colonyId: nextId(), glassId: nextId() })).toContain('belongs')
    expect(issueOf({ ...own, colonyId: nextId(), text: '   ' })).not.toBeNull()
  })
  it('refuses ids and moments of another form', () => {
    expect(
      issueOf({ ...base(), id: '4b1f2c3d-0000-4000-8000-000000000000', kind: 'death', number: 1, sign: 'old' }),
    ).toContain('record id')
    expect(issueOf({ ...base(), at: '2026-03-01', kind: 'death', number: 1, sign: 'old' })).toContain('date and time')
  })
  it('knows whose an entry is', () => {
    const c = count(nextId(), 1, 3)
    expect(subjectOf(c)).toEqual({ colonyId: 'colonyId' in c && c.colonyId, toColonyId: undefined, glassId: undefined })
    const t = waterTest(nextId(), 1, { ph: 7 })
    expect(subjectOf(t).glassId).toBe('glassId' in t ? t.glassId : '')
    expect(subjectOf(note(nextId(), 1)).glassId).toBeUndefined()
  })
})

describe('worstState', () => {
  it('lets what is off speak before what drifts, and what is not known before what is right', () => {
    expect(worstState(['onTarget', 'off', 'drifting'])).toBe('off')
    expect(worstState(['unknown', 'drifting', 'onTarget'])).toBe('drifting')
    expect(worstState(['onTarget', 'unknown'])).toBe('unknown')
    expect(worstState(['onTarget'])).toBe('onTarget')
    expect(worstState([])).toBe('unknown')
  })
})

describe('Colony and Glass', () => {
  it('starts with at least one animal', () => {
    const c = colony(nextId())
    expect(
      Colony.safeParse({ ...c, founders: { ...c.founders, females: 0, males: 0 } }).error?.issues[0]?.message,
    ).toContain('at least one animal')
  })
  it('keeps the preferred range inside the tolerated one', () => {
    expect(TargetOverride.safeParse({ preferred: [6, 8], tolerated: [4, 12] }).success).toBe(true)
    expect(TargetOverride.safeParse({ preferred: [6, 8], tolerated: [7, 12] }).success).toBe(false)
    expect(TargetOverride.safeParse({ preferred: [8, 6], tolerated: [4, 12] }).success).toBe(false)
  })
  it('knows the water in a glass by height and by litres', () => {
    const g = glass(nextId(), nextId())
    expect(netLitres({ ...g, grossL: 60, fill: { by: 'height', share: 0.75 } })).toBe(45)
    expect(netLitres({ ...g, grossL: 60, fill: { by: 'netLitres', netL: 41 } })).toBe(41)
    expect(Glass.safeParse({ ...g, grossL: 10, fill: { by: 'netLitres', netL: 11 } }).success).toBe(false)
  })
  it('writes moments so that text order is time order', () => {
    expect(toMoment(NOW) < toMoment(NOW + 1)).toBe(true)
    expect(() => toMoment(Number.NaN)).toThrow(RangeError)
  })
})
