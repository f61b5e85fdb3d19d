import { clutchesOf } from '#core/broods'
import { type Colony, currentEntries } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import { weekdayText } from '~/words/when'

/** Clutches of a colony that have not hatched and are not lost, to choose from. */
export function useOpenClutches(of: () => Colony | undefined) {
  const { value: clutches } = useLiveQuery(
    async () => {
      const colony = of()
      if (!colony) return []
      const log = currentEntries(await entriesOf(openDb(), colony.id))
      return clutchesOf(log).filter(c => !c.end)
    },
    [],
    () => of()?.id ?? '',
  )
  return computed(() => clutches.value.map(c => ({ value: c.key, title: `laid ${weekdayText(c.firstSeenMs)}` })))
}
