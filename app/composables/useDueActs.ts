import { type DueItem, doing, forCalendar } from '#core/care'
import { calendarFile } from '#core/formats'
import { DAY_MS, Entry, toMoment } from '#core/records'
import { deviceDay } from '~/forms/deviceDays'
import { saveFile } from '~/files/saveFile'
import { dueKindWord, dueLate, dueSkipped, dueTitle, dueWhy } from '~/words/due'

/** What can be done with something due: do it, put it off, leave it out, or go where it is done. */
export function useDueActs() {
  const care = useCareStore()
  const log = useLogStore()
  const room = useRoomStore()
  const settings = useSettingsStore()
  const logSheet = useLogSheetStore()
  const sheets = useSheets()

  /** Logs an item as done, now or earlier. */
  async function done(item: DueItem, atMs = Date.now()) {
    const what = doing(item)
    if (what)
      await log.save(
        Entry.parse({ ...log.stamp(), at: toMoment(atMs), ...what }),
        `${care.subjectName(item)}: ${dueTitle(item, settings.units).replace(/^./, c => c.toLowerCase())}, logged.`,
      )
  }

  const mark = (item: DueItem) => ({
    ...log.stamp(),
    at: toMoment(Date.now()),
    kind: 'dueMark' as const,
    key: item.key,
    dueAt: toMoment(item.dueMs),
    ...(item.colonyId ? { colonyId: item.colonyId } : item.glassId ? { glassId: item.glassId } : {}),
  })
  /** Puts it off by some days from today. */
  const putOff = (item: DueItem, days: number) =>
    log.save(
      { ...mark(item), act: 'snooze', until: toMoment(Date.now() + days * DAY_MS) },
      `${care.subjectName(item)}: ${dueKindWord(item.key)} put off by ${days === 1 ? 'a day' : `${days} days`}.`,
    )
  /** Leaves this occurrence out; it comes again in its rhythm. */
  const leaveOut = (item: DueItem) =>
    log.save({ ...mark(item), act: 'skip' }, `${care.subjectName(item)}: ${dueKindWord(item.key)} left out this time.`)

  /** Where work is done that needs more than a touch. */
  function go(item: DueItem) {
    const colonyId = item.colonyId ?? room.coloniesByGlass.get(item.glassId ?? '')?.[0]?.id ?? ''
    switch (item.kind) {
      case 'count':
        return logSheet.show(colonyId, 'count')
      case 'test':
        return logSheet.show(colonyId, 'waterTest')
      case 'young':
        return logSheet.show(colonyId, 'young')
      case 'topUp':
        return logSheet.show(colonyId, 'topUp')
      case 'planStep':
        return void navigateTo(`/plan/${item.planId}`)
      case 'soil':
        return void (sheets.glass.value = { glassId: item.glassId ?? null })
      default:
        return void navigateTo(`/water/${item.glassId ?? room.glasses[0]?.id ?? ''}`)
    }
  }

  /**
   * The schedule as a calendar file: all of it, or one colony's with its glass. Work of every day is left out unless it
   * is asked for.
   */
  function saveCalendar(colonyId: string | null, withDaily: boolean) {
    const colony = room.colonyById.get(colonyId ?? '')
    const items = forCalendar(care.levelled, colony ?? null, withDaily)
    const name = colony?.name ?? room.room?.name ?? 'Room'
    const text = calendarFile({
      name: `${name}, care`,
      writtenMs: Date.now(),
      events: items.map(i => ({
        uid: `${i.key}@ulkin`,
        title: `${care.subjectName(i)}: ${dueTitle(i, settings.units)}`,
        description: [dueWhy(i, care.nowMs), `How late: ${dueLate(i)}.`, `If left out: ${dueSkipped(i)}`].join('\n'),
        // what is overdue stands on today: a calendar shows nothing of yesterday
        day: deviceDay(Math.max(i.dueMs, care.nowMs)),
        everyDays: i.everyDays === null ? null : Math.max(1, i.everyDays),
        category: dueKindWord(i.key),
      })),
    })
    saveFile(`ulkin-care-${name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.ics`, text, 'text/calendar')
    log.tell(
      `${items.length} entries saved as a calendar file. Bringing it in again later changes them, and adds none twice.`,
    )
  }
  return { done, putOff, leaveOut, go, saveCalendar, canTouch: (item: DueItem) => doing(item) !== null }
}
