import { describe, expect, it } from 'vitest'
import { daysAhead, type Due, type DueState } from '#core/care'
import { DAY_MS, startOfDay } from '#core/records'
import { LocalDay } from '../../../core/records/localDay'
import { itemsOf } from './rooms'

const item = itemsOf()[0]!
const due = (dueMs: number, state: DueState = 'ahead', everyDays: number | null = 7): Due => ({
  item: { ...item, dueMs, everyDays, minutes: 5 },
  state,
})

describe('the days ahead', () => {
  // a Sunday evening
  const nowMs = Date.parse('2026-11-29T18:00:00Z')
  const at = (day: string) => Date.parse(`${day}T09:00:00Z`)
  const told = (list: readonly Due[], days = 7) =>
    daysAhead(list, { nowMs, days, zone: 'UTC' }).map(d => [new Date(d.day).toISOString().slice(0, 10), d.minutes])
  it('a week ahead ends with the day of the same name', () => {
    const list = [due(at('2026-12-06')), due(at('2026-12-07')), due(at('2026-12-02')), due(at('2026-12-02'))]
    expect(told(list)).toEqual([
      ['2026-12-02', 10],
      ['2026-12-06', 5],
    ])
    expect(told(list, 8).at(-1)).toEqual(['2026-12-07', 5])
  })
  it('are without what is due or late, and what comes every day; what may be done today stands today', () => {
    const [soon, past] = [due(nowMs + DAY_MS / 12, 'soon'), due(nowMs - DAY_MS, 'soon')]
    expect(told([due(nowMs, 'due'), due(nowMs - DAY_MS, 'late'), due(at('2026-12-01'), 'ahead', 1)])).toEqual([])
    expect(told([soon, past])).toEqual([['2026-11-29', 10]])
    // what comes once is no work of every day
    expect(told([due(at('2026-12-01'), 'ahead', null)])).toHaveLength(1)
  })
  it.each(['Pacific/Kiritimati', 'America/St_Johns', 'Australia/Sydney'])('are those of the keeper in %s', zone => {
    // Sydney’s clocks change within the week that ends on 10 October, those of St John’s on 1 November
    for (const [today, last, after] of [
      ['2026-10-03', '2026-10-10', '2026-10-11'],
      ['2026-10-28', '2026-11-04', '2026-11-05'],
    ] as const) {
      const start = (day: string) => startOfDay(LocalDay.parse(day), zone)
      const asked = { nowMs: start(today) + 60_000, days: 7, zone }
      const list = [due(start(last)), due(start(after) - 1), due(start(after))]
      expect(daysAhead(list, asked)).toEqual([{ day: start(last), list: list.slice(0, 2), minutes: 10 }])
    }
  })
})
