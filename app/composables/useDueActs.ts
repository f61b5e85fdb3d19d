import { type DueItem, type DueKind, doing } from '#core/care'
import { DAY_MS, Entry, toMoment } from '#core/records'
import type { LogKind } from '~/forms/logDraft'
import { dueKindWord, dueTitle } from '~/words/due'

/** Work that is done by writing down what was seen, and as what. */
const LOGGED: Partial<Record<DueKind, LogKind>> = {
  count: 'count',
  test: 'waterTest',
  saltStep: 'waterTest',
  young: 'young',
  hatchCheck: 'young',
  greenWater: 'larvae',
  larvaSample: 'larvae',
  limb: 'note',
  takeOut: 'removal',
  topUp: 'topUp',
}

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
    const kind = LOGGED[item.kind]
    if (kind) return logSheet.show(colonyId, kind)
    switch (item.kind) {
      case 'pick':
      case 'dryDown':
        return void navigateTo(`/colony/${colonyId}`)
      case 'grade':
        return void navigateTo(`/lines/grade/${colonyId}`)
      case 'flood':
        return void navigateTo('/broods')
      case 'planStep':
        return void navigateTo(`/plan/${item.planId}`)
      case 'soil':
        return void (sheets.glass.value = { glassId: item.glassId ?? null })
      default:
        return void navigateTo(`/water/${item.glassId ?? room.glasses[0]?.id ?? ''}`)
    }
  }

  return { done, putOff, leaveOut, go, canTouch: (item: DueItem) => doing(item) !== null }
}
