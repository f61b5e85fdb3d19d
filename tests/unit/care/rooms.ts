import { colonyBroods } from '#core/broods'
import { type ColonyCare, type DueItem, type DueKind, type GlassCare, type RoomCareInput, schedule } from '#core/care'
import { resolveGroup } from '#core/groups'
import { limbsUnderway } from '#core/molts'
import {
  type Colony,
  currentEntries,
  type Entry,
  type Glass,
  netLitres,
  type Plan,
  usualBench,
  type ValueKey,
} from '#core/records'
import { judgeValue, waterStory } from '#core/water'
import { colony as colonyOf, nextId, NOW, smallRoom } from '../../make'

export interface CareSetting {
  groupId?: string
  schools?: Record<string, string>
  colonyEntries?: Entry[]
  glassEntries?: Entry[]
  numbers?: ColonyCare['numbers']
  glass?: Partial<Glass>
  colony?: Partial<Colony>
  plans?: Plan[]
  marks?: Entry[]
  nowMs?: number
  bench?: RoomCareInput['bench']
  batch?: ColonyCare['batch']
  salt?: ColonyCare['salt']
  grownMs?: number | null
  halfNewMs?: number | null
  eggLots?: RoomCareInput['eggLots']
}

export const s = smallRoom()
export const glassId = s.glass.id
export const colonyId = s.colony.id

/** The care of one glass with one colony, from its log. */
export function careOf({
  groupId = 'neocaridina',
  schools = {},
  colonyEntries = [],
  glassEntries = [],
  numbers = null,
  glass: g = {},
  colony: c = {},
  plans = [],
  marks = [],
  nowMs = NOW,
  bench = usualBench,
  batch = null,
  salt = [],
  eggLots = [],
  grownMs = null,
  halfNewMs = null,
}: CareSetting = {}): RoomCareInput {
  const glass: Glass = { ...s.glass, ...g }
  const colony = { ...colonyOf(glass.id, { ...c, groupId, schools }), id: colonyId }
  const group = resolveGroup(colony)
  const entries = currentEntries(glassEntries)
  const { readings } = waterStory(entries, netLitres(glass), nowMs)
  const values = (Object.keys(group.targets) as ValueKey[]).map(key =>
    judgeValue({
      key,
      target: group.targets[key]!,
      readings: readings.get(key) ?? [],
      nowMs,
      largestStep: group.largestStepPerWeek[key]?.value,
    }),
  )
  const broods = colonyBroods({
    resolved: group,
    entries: currentEntries(colonyEntries),
    temperatures: readings.get('temperatureC') ?? [],
    rooms: null,
    nowMs,
  })
  const { molts } = group.group.care
  const limbs = molts ? limbsUnderway(molts, currentEntries(colonyEntries), { nowMs, pace: 1 }) : []
  const care: GlassCare = {
    glass,
    netL: netLitres(glass),
    colonies:
      plans.length > 0
        ? []
        : [
            {
              ...{ colony, group, entries: currentEntries(colonyEntries), numbers, broods, limbs, values },
              ...{ batch, salt, grownMs, halfNewMs },
            },
          ],
    entries,
  }
  return { roomId: s.room.id, glasses: [care], plans, eggLots, bench, marks: currentEntries(marks), nowMs }
}
export const itemsOf = (setting: CareSetting = {}): DueItem[] => schedule(careOf(setting))
export const itemOf = (kind: DueKind, setting: CareSetting = {}): DueItem | undefined =>
  itemsOf(setting).find(i => i.kind === kind)
export const known = (
  value: number,
  low: number,
  high: number,
  ifCounted: [number, number],
  lastCountMs: number | null = NOW - 30 * 86_400_000,
): ColonyCare['numbers'] => ({
  value,
  low,
  high,
  ifCounted: { low: ifCounted[0], high: ifCounted[1] },
  lastCountMs,
  firstLook: false,
  asks: false,
  dyingSinceMs: null,
})
export { nextId, NOW }
