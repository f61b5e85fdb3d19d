import ical, { ICalEventRepeatingFreq, ICalEventTransparency } from 'ical-generator'

/** One line of a care calendar: a day, and every how many days it comes again. */
export interface CalendarEvent {
  /** stays the same from file to file, so that bringing a file in again changes events and adds none */
  uid: string
  title: string
  /** why, how late it may be, what happens when it is left out */
  description: string
  /** calendar day, like 2026-11-25 */
  day: string
  everyDays: number | null
  category: string
}

const DAY = /^\d{4}-\d{2}-\d{2}$/

/**
 * A care calendar as iCalendar text (RFC 5545, by package ical-generator): all-day events that take no time of the
 * keeper's, with daily rules for what comes again. The sequence number grows with the moment of writing, so a later
 * file wins over an earlier one wherever it is brought in.
 * @throws RangeError for a day that is no date, or an interval under a day
 */
export function calendarFile({
  name,
  events,
  writtenMs,
}: {
  name: string
  events: readonly CalendarEvent[]
  writtenMs: number
}): string {
  // the package leaves the name as it is, where the standard wants , ; and \ escaped
  const calendar = ical({
    name: name.replaceAll(/[,;\\\n]/g, ' '),
    prodId: { company: 'Ulkin', product: 'Care', language: 'EN' },
  })
  for (const e of events) {
    if (!DAY.test(e.day) || Number.isNaN(Date.parse(e.day)))
      throw new RangeError(`day must be a date like 2026-11-25, got ${e.day}`)
    if (e.everyDays !== null && !(e.everyDays >= 1))
      throw new RangeError(`everyDays must be 1 or more, got ${e.everyDays}`)
    calendar.createEvent({
      id: e.uid,
      start: e.day,
      allDay: true,
      summary: e.title,
      description: e.description,
      transparency: ICalEventTransparency.TRANSPARENT,
      stamp: new Date(writtenMs),
      lastModified: new Date(writtenMs),
      // minutes: seconds would leave the range of an iCalendar integer in 2038
      sequence: Math.floor(writtenMs / 60_000),
      categories: [{ name: e.category }],
      ...(e.everyDays !== null && {
        repeating: { freq: ICalEventRepeatingFreq.DAILY, interval: Math.round(e.everyDays) },
      }),
    })
  }
  return calendar.toString()
}
