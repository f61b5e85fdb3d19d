import type { ColonyForm } from '#core/records'
import type { SignTopic } from '~/words/signs'

/** Sheets that any place can open. Others are kept by the place that owns them; all count as open for the keyboard. */
export function useSheets() {
  const finder = useState('sheet.finder', () => false)
  const help = useState('sheet.help', () => false)
  const signs = useState<SignTopic | null>('sheet.signs', () => null)
  const glass = useState<{ glassId: string | null; place?: { rackId: string; shelf: number } } | null>(
    'sheet.glass',
    () => null,
  )
  const rack = useState<{ rackId: string | null } | null>('sheet.rack', () => null)
  const animal = useState<{ animalId: string | null; colonyId: string } | null>('sheet.animal', () => null)
  const colony = useState<{
    glassId: string | null
    /** what is begun, where it is known */
    groupId?: string
    form?: ColonyForm
    eggLotId?: string
  } | null>('sheet.colony', () => null)
  const logSheet = useLogSheetStore()
  const own = useState('sheet.own', () => 0)
  const anyOpen = computed(
    () =>
      finder.value ||
      help.value ||
      signs.value !== null ||
      glass.value !== null ||
      rack.value !== null ||
      colony.value !== null ||
      animal.value !== null ||
      logSheet.open ||
      own.value > 0,
  )

  /** Counts a sheet of a place while it is open. */
  function countOpen(isOpen: Ref<boolean>) {
    watch(
      isOpen,
      (now, before) => {
        if (now !== !!before) own.value += now ? 1 : -1
      },
      { immediate: true },
    )
    onScopeDispose(() => {
      if (isOpen.value) own.value--
    })
  }
  return { finder, help, signs, glass, rack, colony, animal, anyOpen, countOpen }
}
