import { proxy } from 'comlink'
import type { Summary } from '~/data/database'
import { deviceDay } from '~/forms/deviceDays'
import type { ColonyStatements } from '#core/statements'
import type { Id } from '#core/records'

/**
 * What is told of colonies that may have ended. The store holds nothing of those that have: they are asked for here,
 * as they stood when they ended, since their glass has other water now.
 * @param ids of the colonies; asked again when they change
 * @returns statements of a colony; undefined until they are there
 */
export function useEndedTold(ids: () => readonly Id[]): { of: (id: Id) => ColonyStatements | undefined } {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const build = useRuntimeConfig().app.buildId
  const { ask } = useStatementWorkers()
  const kept = shallowReactive(new Map<Id, ColonyStatements>())
  const ended = () => ids().flatMap(id => room.colonyById.get(id)?.ended ?? [])
  const take = (told: Summary[]) => told.forEach(s => kept.set(s.colonyId, s.statements))
  watch(
    () => ended().length,
    async () => {
      for (const id of ids()) {
        const colony = room.colonyById.get(id)
        const subject = colony?.ended && !kept.has(id) ? statements.subjectOf(colony) : null
        if (!colony?.ended || !subject) continue
        const nowMs = Date.parse(colony.ended.at)
        await ask([subject], (api, subjects) =>
          api.statementsOf({ subjects, nowMs, day: deviceDay(nowMs), build, mayBeKept: true }, proxy(take)),
        ).catch(() => undefined)
      }
    },
    { immediate: true },
  )
  return { of: id => statements.of(id) ?? kept.get(id) }
}
