import { forCalendar } from '#core/care'
import { calendarFile } from '#core/formats'
import { saveFile } from '~/files/saveFile'
import { deviceDay } from '~/forms/deviceDays'
import { dueKindWord, dueLate, dueSkipped, dueTitle, dueWhy } from '~/words/due'

/** What is due as a file for the keeper's calendar. */
export function useDueCalendar() {
  const care = useCareStore()
  const log = useLogStore()
  const room = useRoomStore()
  const settings = useSettingsStore()

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
  return { saveCalendar }
}
