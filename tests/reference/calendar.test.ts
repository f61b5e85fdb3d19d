import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { calendarFile, type CalendarEvent } from '#core/formats'

// read back by ical.js (a parser of its own, not the package that writes), and held against RFC 5545

const event = (more: Partial<CalendarEvent> = {}): CalendarEvent => ({
  uid: 'waterChange:0190@ulkin',
  title: 'Slate: Change 5.4 L',
  description: 'Why, and how late; it may wait.',
  day: '2026-11-28',
  everyDays: 7,
  category: 'water change',
  ...more,
})
const written = Date.parse('2026-11-25T09:30:00.000Z')
const file = (events: CalendarEvent[], writtenMs = written) =>
  calendarFile({ name: 'Lantern Quay, care', events, writtenMs })
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as unknown[])
    .getAllSubcomponents('vevent')
    .map(c => ({ raw: c, event: new ICAL.Event(c) }))

describe('the calendar file', () => {
  it('reads back the same', () => {
    const [one] = read(
      file([
        event({ title: 'Crays; 2 "pairs", and \\ more\nthere', description: 'Ä, ö — and a long line '.repeat(12) }),
      ]),
    )
    expect(one!.event.uid).toBe('waterChange:0190@ulkin')
    expect(one!.event.summary).toBe('Crays; 2 "pairs", and \\ more\nthere')
    expect(one!.event.description.trim()).toBe('Ä, ö — and a long line '.repeat(12).trim())
    expect(one!.event.startDate.isDate).toBe(true)
    expect(one!.event.startDate.toString()).toBe('2026-11-28')
    expect(one!.raw.getFirstPropertyValue('transp')).toBe('TRANSPARENT')
  })
  it('comes again every so many days, and once where it comes once', () => {
    const [weekly, once] = read(file([event(), event({ uid: 'b@ulkin', everyDays: null })]))
    const days = weekly!.event.iterator()
    expect([days.next(), days.next(), days.next()].map(String)).toEqual(['2026-11-28', '2026-12-05', '2026-12-12'])
    expect(once!.event.isRecurring()).toBe(false)
  })
  it('a later file wins over an earlier one: same uid, higher sequence, which fits an integer for good', () => {
    const [early, late] = [read(file([event()]))[0]!, read(file([event()], written + 3_600_000))[0]!]
    expect(late.event.uid).toBe(early.event.uid)
    expect(late.event.sequence).toBeGreaterThan(early.event.sequence)
    expect(read(file([event()], Date.parse('2090-01-01T00:00:00Z')))[0]!.event.sequence).toBeLessThan(2 ** 31)
  })
  it('keeps the rules of RFC 5545', () => {
    const text = file([event({ description: 'x'.repeat(400) }), event({ uid: 'c@ulkin' })])
    const lines = text.split('\r\n')
    // 3.1: lines end with CRLF and have 75 octets at most
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
    for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
    // 3.6: the frame, and what each calendar and event must have, once
    expect(lines[0]).toBe('BEGIN:VCALENDAR')
    expect(lines.filter(Boolean).at(-1)).toBe('END:VCALENDAR')
    expect(lines.filter(l => l.startsWith('PRODID:'))).toHaveLength(1)
    expect(lines.filter(l => l === 'VERSION:2.0')).toHaveLength(1)
    for (const { raw } of read(text))
      for (const name of ['uid', 'dtstamp', 'dtstart']) expect(raw.getAllProperties(name)).toHaveLength(1)
    // 3.3.11: commas, semicolons and backslashes of text are escaped
    expect(lines.find(l => l.startsWith('X-WR-CALNAME'))).not.toMatch(/[^\\],/)
  })
  it('refuses what is no day or no interval', () => {
    expect(() => file([event({ day: '25.11.2026' })])).toThrow(/day must be a date/)
    expect(() => file([event({ day: '2026-13-45' })])).toThrow(RangeError)
    expect(() => file([event({ everyDays: 0.5 })])).toThrow(/1 or more/)
  })
})
