import { type BreedingGroup, type Colony, type EntryOf, type Order, presentGlassId } from '#core/records'
import type { Write } from '~/data/saveRecord'
import { boxName, newBox } from '~/forms/breedBox'
import type { LineOf } from './useLines'

/** Breeds in a box that is hung up now. */
const NEW_BOX = 'box'

type Move = EntryOf<'move'> | EntryOf<'removal'>

/** Who breeds from now on, and what is written with it. */
export interface BreedersWritten {
  /** null where whoever stays breeds */
  group: BreedingGroup | null
  moves: readonly Move[]
  orders?: readonly Order[]
}

/** Where animals of a line may breed: glasses of the line first. */
function useHomes(of: () => LineOf, colony: Ref<Colony | null | undefined>) {
  const room = useRoomStore()
  const glass = computed(() => colony.value && room.glassById.get(presentGlassId(colony.value)))
  const existing = computed(() => {
    const kind = room.colonies.filter(c => c.groupId === of().line.groupId && c.form === 'colony')
    const told = (list: readonly Colony[], group: string) =>
      list.map(c => ({
        ...{ value: c.id, group },
        title: `${c.name} · ${room.glassById.get(presentGlassId(c))?.name ?? ''}`,
      }))
    const { id, name } = of().line
    return [
      ...told(
        kind.filter(c => c.lineId === id),
        name,
      ),
      ...told(
        kind.filter(c => c.lineId !== id),
        'Others of their kind',
      ),
    ]
  })
  const homes = computed(() => [
    ...existing.value,
    ...(glass.value ? [{ value: NEW_BOX, title: `A new box in ${glass.value.name}` }] : []),
  ])
  return { existing, homes, glass }
}

/**
 * Where animals of a line may breed, a colony of their kind or a new box in the water of the one they are of; and the
 * one step that sets them there.
 */
export function useSettingBreeders(of: () => LineOf, colony: Ref<Colony | null | undefined>) {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const doubt = useEntryDoubt()
  const { saving, saveWith } = useSave()
  const { existing, homes, glass } = useHomes(of, colony)
  /** The colony that a choice means, with the box that has to be hung for it. */
  function homeAt(choice: string, nowMs: number): { colonyId: string; writes: Write[] } {
    if (choice !== NEW_BOX || !glass.value || !colony.value) return { colonyId: choice, writes: [] }
    const names = [...room.all.glasses, ...room.all.colonies].map(r => r.name)
    const box = newBox({ colony: colony.value, host: glass.value, name: boxName(of().line.name, names) }, nowMs)
    return {
      colonyId: box.colony.id,
      writes: [
        { table: 'glasses', record: box.glass },
        { table: 'colonies', record: box.colony },
      ],
    }
  }
  /** A glass without a line and nobody in it becomes one of the line's. */
  function joining(moves: readonly Move[]): Write[] {
    const into = new Set(moves.flatMap(m => (m.kind === 'move' ? [m.toColonyId] : [])))
    return [...into].flatMap(id => {
      const to = room.colonyById.get(id)
      const empty = to && (statements.of(to.id)?.population.now.high ?? 1) < 0.5
      return to && to.lineId === undefined && empty
        ? [{ table: 'colonies' as const, record: { ...toRaw(to), lineId: of().line.id } }]
        : []
    })
  }
  /**
   * Writes it as one step. Each move is checked: lines that cross never share a glass unless the keeper says so twice.
   * @param hung what `homeAt` has hung for it
   * @returns whether they are set, and else what is to be asked, if anything
   */
  async function set(
    hung: readonly Write[],
    { group, moves, orders = [] }: BreedersWritten,
  ): Promise<{ done: boolean; question: string }> {
    const steps = moves.flatMap(entry => {
      const from = room.colonyById.get(entry.colonyId)
      return from ? [{ entry, colony: from }] : []
    })
    const question = doubt.questionOf(steps)
    if (question) return { done: false, question }
    const writes: Write[] = [
      ...hung,
      ...joining(moves),
      ...(group ? [{ table: 'breedingGroups' as const, record: group }] : []),
      ...orders.map(record => ({ table: 'orders' as const, record })),
    ]
    const words = group ? 'the breeders are set' : 'they are taken out'
    return { done: await saveWith(writes, moves, `${of().line.name}: ${words}.`), question: '' }
  }
  return { existing, homes, homeAt, set, saving }
}
