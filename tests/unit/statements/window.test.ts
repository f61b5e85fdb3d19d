import { describe, expect, it } from 'vitest'
import { DAY_MS, toMoment, WEEK_MS } from '#core/records'
import { colonyStatements, questionFrom } from '#core/statements'
import { MOST_STEPS } from '../../../core/statements/window'
import { count, inputOf, NOW, removal, smallRoom } from '../../make'

const since = (ms: number) => smallRoom({ colony: { startedAt: toMoment(ms) } })
const question = (s: ReturnType<typeof since>, entries: Parameters<typeof inputOf>[1] = []) =>
  questionFrom(inputOf(s, entries)).question

describe('a log that is too long', () => {
  const old = since(Date.parse('1990-03-01T09:00:00.000Z'))
  it('begins where it still matters, with what was counted last before, and says so', () => {
    const years = (n: number) => n * 365
    const entries = [
      count(old.colony.id, years(20), 120),
      removal(old.colony.id, years(19), 20),
      count(old.colony.id, 30, 90),
    ]
    const q = question(old, entries)
    expect((NOW - q.startMs) / WEEK_MS).toBeCloseTo(MOST_STEPS, 6)
    // about 136 were there when 120 were seen, and twenty went after that
    expect(q.founders.unsexed).toBeGreaterThan(100)
    expect(q.founders.unsexed).toBeLessThan(130)
    // but nobody knows it to the animal
    expect(q.foundersSd).toBeGreaterThan(0.1)
    expect(q.foundersSd).toBeLessThan(0.4)
    const told = colonyStatements(inputOf(old, entries)).statements
    expect(told.number.reasons.map(r => r.key)).toContain('number.reasonLeftOut')
    expect(told.population.now.value).toBeGreaterThan(60)
  })
  it('without a count begins with the founders and what came and went', () => {
    expect(question(old).foundersSd).toBeGreaterThan(0.3)
    expect(question(old, [removal(old.colony.id, 9000, 6)]).founders.unsexed).toBe(15 - 6)
  })
  it('one of ordinary length is read whole', () => {
    const s = since(NOW - 600 * WEEK_MS)
    expect(question(s)).toMatchObject({ startMs: NOW - 600 * WEEK_MS, founders: s.colony.founders })
    expect(question(s).leftOutBefore).toBeUndefined()
    expect(question(s).foundersSd).toBeUndefined()
    expect(colonyStatements(inputOf(since(NOW - 90 * DAY_MS))).statements.population.leftOutBefore).toBeNull()
  })
})
