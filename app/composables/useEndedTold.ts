import { proxy } from 'comlink'
import type { Summary } from '~/data/database'
import { deviceDay } from '~/forms/deviceDays'
import type { ColonyStatements } from '#core/statements'
import { type Id, momentMs } from '#core/records'

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
  const ended = computed(() =>
    ids().flatMap(id => {
      const colony = room.colonyById.get(id)
      return colony?.ended ? [{ colony, nowMs: momentMs(colony.ended.at) }] : []
    }),
  )
  const asked = new Map<Id, number>()
  const take = (told: Summary[]) => told.forEach(s => kept.set(s.colonyId, s.statements))
  watch(
    ended,
    async all => {
      for (const { colony, nowMs } of all) {
        // one that was brought back and has ended once more stands otherwise
        const subject = asked.get(colony.id) === nowMs ? null : statements.subjectOf(colony)
        if (!subject) continue
        asked.set(colony.id, nowMs)
        await ask([subject], (api, subjects) =>
          api.statementsOf({ subjects, nowMs, day: deviceDay(nowMs), build, mayBeKept: true }, proxy(take)),
        ).catch(() => asked.delete(colony.id))
      }
    },
    { immediate: true },
  )
  return { of: id => statements.of(id) ?? kept.get(id) }
}
