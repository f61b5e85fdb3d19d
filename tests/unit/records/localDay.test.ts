import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  DAY_MS,
  dayAfter,
  dayNumber,
  dayOf,
  endOfDay,
  hourOf,
  type LocalDay,
  momentAt,
  momentOn,
  offsetMinutes,
  readDay,
  startOfDay,
  weekdayOf,
} from '#core/records'

const at = (text: string) => Date.parse(text)
const day = (text: string) => readDay(text) as LocalDay
const zones = ['UTC', 'Pacific/Kiritimati', 'America/St_Johns', 'Asia/Kathmandu', 'Australia/Sydney', 'Europe/Lisbon']

describe('a local day', () => {
  it.each([
    // a few minutes after midnight UTC it is still yesterday in the west and the same morning in the east
    ['2026-11-25T00:10:00Z', 'America/St_Johns', '2026-11-24'],
    ['2026-11-25T00:10:00Z', 'Asia/Kathmandu', '2026-11-25'],
    ['2026-11-25T11:00:00Z', 'Pacific/Kiritimati', '2026-11-26'],
    ['2026-11-25T09:59:00Z', 'Pacific/Kiritimati', '2026-11-25'],
    ['2026-11-25T13:00:00Z', 'Australia/Sydney', '2026-11-26'],
  ])('at %s in %s it is %s', (moment, zone, expected) => {
    expect(dayOf(at(moment), zone)).toBe(expected)
  })
  it('has the offsets that are published for these zones', () => {
    // IANA time zone database: Nepal +5:45, Newfoundland −3:30 in winter, the Line Islands +14
    expect(offsetMinutes(at('2026-11-25T12:00:00Z'), 'Asia/Kathmandu')).toBe(345)
    expect(offsetMinutes(at('2026-11-25T12:00:00Z'), 'America/St_Johns')).toBe(-210)
    expect(offsetMinutes(at('2026-11-25T12:00:00Z'), 'Pacific/Kiritimati')).toBe(840)
  })
  it('is 23 or 25 hours long where clocks change', () => {
    // Sydney puts clocks forward on 4 October 2026 and back on 5 April 2026
    const hours = (d: string, zone: string) => (endOfDay(day(d), zone) - startOfDay(day(d), zone)) / 3_600_000
    expect(hours('2026-10-04', 'Australia/Sydney')).toBe(23)
    expect(hours('2026-04-05', 'Australia/Sydney')).toBe(25)
    expect(hours('2026-10-05', 'Australia/Sydney')).toBe(24)
  })
  it('comes back from its moments, in every zone and through changes of clocks', () => {
    fc.assert(
      fc.property(fc.constantFrom(...zones), fc.integer({ min: -3000, max: 30_000 }), fc.nat(23), (zone, n, hour) => {
        const d = dayAfter(day('2000-01-01'), n)
        expect(dayOf(momentAt(d, 12, zone), zone)).toBe(d)
        expect(dayOf(startOfDay(d, zone), zone)).toBe(d)
        expect(dayOf(endOfDay(d, zone) - 1, zone)).toBe(d)
        expect(dayOf(endOfDay(d, zone), zone)).toBe(dayAfter(d, 1))
        const moment = momentAt(d, hour, zone)
        // an hour that clocks leave out is an hour later
        expect([hour, hour + 1]).toContain(Math.floor(hourOf(moment, zone)))
      }),
    )
  })
  it('counts days by the calendar, not by hours', () => {
    expect(dayNumber(day('1970-01-01'))).toBe(0)
    expect(dayNumber(dayAfter(day('2026-10-03'), 2)) - dayNumber(day('2026-10-03'))).toBe(2)
    expect(weekdayOf(day('2026-11-25'))).toBe(3)
    expect(weekdayOf(day('1969-12-31'))).toBe(3)
  })
  it('today is now, so that it never lies in the future; an earlier day is its noon', () => {
    // in the morning east of Greenwich noon of today is still to come
    const now = at('2026-11-24T19:30:00Z')
    expect(momentOn(day('2026-11-25'), now, 'Asia/Kathmandu')).toBe(now)
    expect(momentOn(day('2026-11-26'), now, 'Asia/Kathmandu')).toBeNull()
    expect(momentOn(day('2026-11-24'), now, 'Asia/Kathmandu')).toBe(at('2026-11-24T06:15:00Z'))
  })
  it('reads days and nothing else', () => {
    expect(readDay(' 2026-02-28 ')).toBe('2026-02-28')
    for (const wrong of ['', '2026-02-30', '28.2.2026', '2026-2-8', 'today']) expect(readDay(wrong)).toBeNull()
  })
  it('takes the first of two moments where clocks are put back, and the one after where they are put forward', () => {
    expect(momentAt(day('2026-04-05'), 2, 'Australia/Sydney')).toBe(at('2026-04-04T15:00:00Z'))
    expect(momentAt(day('2026-10-04'), 2, 'Australia/Sydney')).toBe(at('2026-10-03T16:00:00Z'))
    expect(momentAt(day('2026-06-01'), 0, 'UTC') % DAY_MS).toBe(0)
  })
})
