import { groupOf } from '#core/groups'
import type { Colony } from '#core/records'
import type { Saying } from '~/words/phrase'

/** What the words need, for one colony. */
export function useSaying() {
  const settings = useSettingsStore()
  const statements = useStatementsStore()
  return (colony: Pick<Colony, 'groupId'> | undefined): Saying => ({
    units: settings.units,
    nowMs: statements.now.getTime(),
    animal: colony ? groupOf(colony.groupId).animal : ['animal', 'animals'],
  })
}
