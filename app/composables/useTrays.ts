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
import {
  begun,
  type BreedingGroup,
  type Colony,
  type Id,
  type Ladder,
  toMoment,
  type TrayKind,
  trayKinds,
} from '#core/records'
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
  const { rungs, last, grader, stock, oneSex } = stockDesk
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
  return { ...stockDesk, clear, rolling, kinds, breeding, trays, tray, total, move, take, breeders, groupNow }
}
export type TraysDesk = ReturnType<typeof useTrays>

/** What lies in the trays of a colony, as a draft of breeders that is kept. */
function useTrayDraft(
  of: () => LineOf,
  ladder: () => Ladder | null,
  { last, grader, drafts, colony, stock }: ReturnType<typeof useStock>,
) {
  const room = useRoomStore()
  const draftOf = (c: Colony) => drafts.value.find(b => b.colonyId === c.id)
  // a stretch of time has no record that a draft could hang on: this device keeps it
  const here = useDurable<{ of: string; trays: Trays } | null>(typedKeys.trays, null)
  const stretchOf = (c: Colony) => `${last.value?.id} ${c.id}`
  // what is on screen goes ahead of the record, which follows in a moment
  const moved = shallowRef<Readonly<Record<Id, Trays>>>({})
  const traysOf = (c: Colony): Trays => {
    const draft = draftOf(c)
    const kept = draft && {
      ...{ breed: standingsOf(draft.parents), offer: standingsOf(draft.trays?.offer ?? []) },
      part: standingsOf(draft.trays?.part ?? []),
    }
    const typed = here.value?.of === stretchOf(c) ? here.value.trays : null
    return moved.value[c.id] ?? kept ?? typed ?? noTrays
  }
  const trays = computed<Trays>(() => fitTrays(stock.value, colony.value ? traysOf(colony.value) : noTrays))
  function groupOf(c: Colony, { breed, offer, part }: Trays, nowMs: number): BreedingGroup | null {
    if (!last.value || !ladder()) return null
    const base = draftOf(c) ?? {
      ...begun(newId(), nowMs),
      ...{ roomId: of().line.roomId, lineId: of().line.id, colonyId: c.id, generationId: last.value.id },
      ...{ ladderId: ladder()!.id, state: 'draft' as const, animalIds: [], from: toMoment(nowMs) },
    }
    return {
      ...toRaw(base),
      ...(grader.value !== SOMEBODY && { keeper: grader.value }),
      parents: countsIn(breed),
      trays: { hold: [], offer: countsIn(offer), part: countsIn(part) },
    }
  }
  /** The group of breeders as the trays have it; null before anything was graded. */
  const groupNow = (nowMs: number) => (colony.value ? groupOf(colony.value, trays.value, nowMs) : null)
  async function write(c: Colony) {
    const record = groupOf(c, traysOf(c), Date.now())
    if (!record) return
    if (room.generations.some(g => g.id === record.generationId))
      await (await writeDoor()).saveRecord(openDb(), 'breedingGroups', record, Date.now())
    else here.value = { of: stretchOf(c), trays: traysOf(c) }
  }
  const unwritten = new Map<Id, Colony>()
  const keep = useDebounceFn(async () => {
    const now = [...unwritten.values()]
    unwritten.clear()
    for (const c of now) await write(c)
  }, 400)
  function set(next: Trays) {
    const c = colony.value
    if (!c) return
    moved.value = { ...moved.value, [c.id]: next }
    unwritten.set(c.id, c)
    void keep()
  }
  return { trays, set, groupNow }
}
