import {
  breedersFrom,
  type BreederSet,
  countsIn,
  fitTrays,
  inTray,
  moveBetween,
  noTrays,
  restOf,
  SOMEBODY,
  stackKey,
  standingsOf,
  standingTotal,
  type Trays,
} from '#core/lines'
import { begun, type BreedingGroup, type Ladder, toMoment, type TrayKind, trayKinds } from '#core/records'
import { openDb } from '~/data/database'
import { newId } from '~/data/newId'
import { writeDoor } from '~/data/writeDoor'
import { typedKeys } from '~/forms/typedKeys'
import type { LineOf } from './useLines'

/**
 * The trays of one line: its grown animals put to breed, hold, offer or part, and kept as a draft so that a reload
 * keeps them.
 */
export function useTrays(of: () => LineOf, ladder: () => Ladder | null) {
  const stockDesk = useStock(of, ladder)
  const { rungs, last, grader, colony, stock, oneSex } = stockDesk
  const { trays, set, groupNow } = useTrayDraft(of, ladder, stockDesk)
  const tray = (kind: TrayKind) => inTray(stock.value, trays.value, kind)
  const total = (kind: TrayKind) => standingTotal(tray(kind))
  const move = (key: string, from: TrayKind, to: TrayKind, number: number) =>
    set(moveBetween(stock.value, trays.value, { key, from, to, number }))
  /** Where the animals breed all the time, whoever stays breeds. */
  const rolling = computed(() => !!of().told?.rolling)
  const kinds = computed(() => (rolling.value ? trayKinds.filter(k => k !== 'breed') : trayKinds))
  const breeding = computed(() => tray(rolling.value ? 'hold' : 'breed'))
  const bySex = (sex: 'female' | 'male') => rungs.value.map(r => breeding.value[stackKey(r.id, sex)] ?? 0)
  const breeders = computed<BreederSet[]>(() => {
    if (!last.value) return []
    const about = { groupId: last.value.id, grader: grader.value }
    const sets = breedersFrom(about, { females: bySex('female'), males: bySex('male') }).filter(b => b.number > 0)
    return oneSex.value ? sets.map(b => ({ ...b, sex: 'mixed' })) : sets
  })
  /** Puts a pick into the breeding tray; where whoever stays breeds, all others into the one of the parted. */
  function take(pick: { females: readonly number[]; males: readonly number[] }) {
    const breed: Record<string, number> = {}
    for (const [k, r] of rungs.value.entries()) {
      breed[stackKey(r.id, 'female')] = pick.females[k] ?? 0
      breed[stackKey(r.id, 'male')] = pick.males[k] ?? 0
    }
    set(rolling.value ? { ...noTrays, part: restOf(stock.value, breed) } : { ...noTrays, breed })
  }
  const clear = () => set(noTrays)
  return { ...stockDesk, colony, clear, rolling, kinds, breeding, trays, tray, total, move, take, breeders, groupNow }
}
export type TraysDesk = ReturnType<typeof useTrays>

/** What lies in the trays, as a draft of breeders that is kept. */
function useTrayDraft(
  of: () => LineOf,
  ladder: () => Ladder | null,
  { last, grader, colony, stock }: ReturnType<typeof useStock>,
) {
  const room = useRoomStore()
  const draft = computed(() =>
    room.breedingGroups.find(
      b => b.lineId === of().line.id && b.state === 'draft' && b.generationId === last.value?.id,
    ),
  )
  // a stretch of time has no record that a draft could hang on: this device keeps it
  const here = useDurable<{ of: string; trays: Trays } | null>(typedKeys.trays, null)
  const typed = computed(() => (here.value && here.value.of === last.value?.id ? here.value.trays : null))
  // what is on screen goes ahead of the record, which follows in a moment
  const moved = shallowRef<Trays | null>(null)
  const trays = computed<Trays>(() => {
    const kept = draft.value && {
      ...{ breed: standingsOf(draft.value.parents), offer: standingsOf(draft.value.trays?.offer ?? []) },
      part: standingsOf(draft.value.trays?.part ?? []),
    }
    return fitTrays(stock.value, moved.value ?? kept ?? typed.value ?? noTrays)
  })
  /** The group of breeders as the trays have it; null before anything was graded. */
  function groupNow(nowMs: number): BreedingGroup | null {
    if (!last.value || !ladder() || !colony.value) return null
    const base = draft.value ?? {
      ...begun(newId(), nowMs),
      ...{ roomId: of().line.roomId, lineId: of().line.id, colonyId: colony.value.id, generationId: last.value.id },
      ...{ ladderId: ladder()!.id, state: 'draft' as const, animalIds: [], from: toMoment(nowMs) },
    }
    const { breed, offer, part } = trays.value
    return {
      ...toRaw(base),
      ...(grader.value !== SOMEBODY && { keeper: grader.value }),
      parents: countsIn(breed),
      trays: { hold: [], offer: countsIn(offer), part: countsIn(part) },
    }
  }
  const keep = useDebounceFn(async () => {
    const record = groupNow(Date.now())
    if (!record) return
    if (!room.generations.some(g => g.id === record.generationId)) {
      here.value = { of: record.generationId, trays: trays.value }
      return
    }
    await (await writeDoor()).saveRecord(openDb(), 'breedingGroups', record, Date.now())
  }, 400)
  function set(next: Trays) {
    moved.value = next
    void keep()
  }
  return { trays, set, groupNow }
}
