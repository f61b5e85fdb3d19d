import { v7 } from 'uuid'
import {
  type Colony,
  DAY_MS,
  Entry,
  type Glass,
  type Heads,
  type Plan,
  type Rack,
  type Room,
  type ShelfItem,
  type Source,
  type TestMethod,
  toMoment,
  usualBench,
  type ValueKey,
  type Water,
  begun,
} from '#core/records'
import type { StatementInput } from '#core/statements'

/** Records for tests: one short call each, with an order of ids that follows the calls. */
export const NOW = Date.parse('2026-11-25T12:00:00.000Z')

let made = 0
/** Begins the ids anew: each file of tests has its own, whatever ran before it. */
export const firstIds = () => void (made = 0)
/** An id that sorts after all ids made before it; the same in every run, since a colony’s luck hangs on its id. */
export const nextId = () => {
  const at = made++
  const random = Uint8Array.from({ length: 16 }, (_, byte) => (byte < 12 ? 0 : (at >> (8 * (15 - byte))) & 255))
  return v7({ msecs: NOW + at, seq: at, random })
}
export const daysAgo = (days: number) => toMoment(NOW - days * DAY_MS)
const heads = (parts: Partial<Heads> = {}): Heads => ({
  females: 0,
  males: 0,
  unsexed: 0,
  halfGrown: 0,
  young: 0,
  ...parts,
})

export const room = (more: Partial<Room> = {}): Room => ({
  ...begun(nextId(), NOW - 400 * DAY_MS),
  name: 'Loft',
  keepers: ['A. R.'],
  bench: usualBench,
  ...more,
})
export const rack = (roomId: string, more: Partial<Rack> = {}): Rack => ({
  ...begun(nextId(), NOW - 400 * DAY_MS),
  roomId,
  name: 'Rack',
  kind: 'rack',
  shelves: 3,
  order: 0,
  ...more,
})
export const glass = (roomId: string, rackId: string, more: Partial<Glass> = {}): Glass => ({
  ...begun(nextId(), NOW - 400 * DAY_MS),
  roomId,
  name: 'Glass',
  kind: 'tank',
  grossL: 60,
  fill: { by: 'netLitres', netL: 50 },
  place: { rackId, shelf: 0, position: 0 },
  ...more,
})
export const colony = (glassId: string, more: Partial<Colony> = {}): Colony => ({
  ...begun(nextId(), NOW - 400 * DAY_MS),
  form: 'colony',
  stays: [{ glassId, from: daysAgo(280) }],
  name: 'Ember',
  groupId: 'neocaridina',
  schools: {},
  startedAt: daysAgo(280),
  founders: heads({ females: 10, males: 5 }),
  targets: {},
  life: {},
  ...more,
})

export const source = (roomId: string, more: Partial<Source> = {}): Source => ({
  ...begun(nextId(), NOW - 400 * DAY_MS),
  roomId,
  name: 'Tap',
  kind: 'tap',
  disinfectant: 'chlorine',
  analyses: [{ at: daysAgo(30), by: 'ownTest', values: { ghDh: 17, khDh: 5, conductivityUsCm: 560 } }],
  ...more,
})
export const shelfItem = (roomId: string, more: Partial<ShelfItem> = {}): ShelfItem => ({
  ...begun(nextId(), NOW - 400 * DAY_MS),
  roomId,
  name: 'Bicarbonate',
  content: { by: 'salt', salt: 'sodiumBicarbonate' },
  ...more,
})
export const plan = (roomId: string, more: Partial<Plan> = {}): Plan => ({
  ...begun(nextId(), NOW - 40 * DAY_MS),
  roomId,
  name: 'New line',
  groupIds: ['neocaridina'],
  schools: {},
  starters: [20],
  startsAt: daysAgo(28),
  done: {},
  seen: { biofilm: false, algae: false },
  tank: {
    kind: 'tank',
    grossL: 40,
    fillShare: 0.9,
    substrate: { kind: 'sand', depthCm: 2 },
    carbonateGL: 0,
    filterRatedL: 60,
    cover: true,
    intakeGuard: true,
    lightHours: 8,
    leaves: 4,
  },
  ...more,
})

const base = (days: number) => ({ id: nextId(), at: daysAgo(days), loggedAt: daysAgo(days) })
export const count = (colonyId: string, days: number, number: number, more: object = {}): Entry =>
  Entry.parse({ ...base(days), colonyId, kind: 'count', number, method: 'allSeen', ...more })
export const removal = (colonyId: string, days: number, number: number): Entry =>
  Entry.parse({ ...base(days), colonyId, kind: 'removal', number, outlet: 'sold' })
export const death = (colonyId: string, days: number, number: number, sign = 'unknown'): Entry =>
  Entry.parse({ ...base(days), colonyId, kind: 'death', number, sign })
export const addition = (colonyId: string, days: number, number: number): Entry =>
  Entry.parse({ ...base(days), colonyId, kind: 'addition', number, origin: 'ownRoom' })
export const clutch = (colonyId: string, days: number, more: object): Entry =>
  Entry.parse({ ...base(days), colonyId, kind: 'clutch', ...more })
export const note = (colonyId: string, days: number, text = 'Quiet.'): Entry =>
  Entry.parse({ ...base(days), colonyId, kind: 'note', text })
export const test = (
  glassId: string,
  days: number,
  values: Partial<Record<ValueKey, number>>,
  method: TestMethod = 'liquidKit',
): Entry =>
  Entry.parse({
    ...base(days),
    glassId,
    kind: 'waterTest',
    readings: Object.fromEntries(Object.entries(values).map(([k, value]) => [k, { value, method }])),
  })
export const waterChange = (glassId: string, days: number, litres: number, water?: Water, more: object = {}): Entry =>
  Entry.parse({ ...base(days), glassId, kind: 'waterChange', litres, ...(water && { water }), ...more })
export const topUp = (glassId: string, days: number, litres: number, water?: Water): Entry =>
  Entry.parse({ ...base(days), glassId, kind: 'topUp', litres, ...(water && { water }) })
/** A correction of an entry: the same with another id, and what has changed. */
export const correction = (of: Entry, more: object): Entry =>
  Entry.parse({ ...of, id: nextId(), supersedes: of.id, ...more })
export const withdrawal = (of: Entry): Entry =>
  Entry.parse({
    ...base(0),
    kind: 'withdrawal',
    supersedes: of.id,
    ...('colonyId' in of ? { colonyId: of.colonyId } : {}),
  })

/** A room with one rack, one glass and one colony. */
export function smallRoom(more: { colony?: Partial<Colony>; glass?: Partial<Glass> } = {}) {
  const r = room()
  const k = rack(r.id)
  const g = glass(r.id, k.id, more.glass)
  const c = colony(g.id, more.colony)
  return { room: r, rack: k, glass: g, colony: c }
}

/** What statements follow from, for a small room. */
export const inputOf = (
  s: ReturnType<typeof smallRoom>,
  colonyEntries: Entry[] = [],
  glassEntries: Entry[] = [],
): StatementInput => ({
  colony: s.colony,
  glass: s.glass,
  water: s.glass,
  colonyEntries,
  glassEntries,
  earlier: [],
  nowMs: NOW,
  zone: 'UTC',
})

/** An entry of any kind, checked against its schema. */
export const entryOf = (kind: Entry['kind'], days: number, more: object): Entry =>
  Entry.parse({ ...base(days), kind, ...more })
