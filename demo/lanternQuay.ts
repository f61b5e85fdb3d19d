import { type Backup, BACKUP_FORMAT, BACKUP_VERSION, noRows } from '#core/formats'
import {
  begun,
  type Animal,
  type Colony,
  DAY_MS,
  type EggLot,
  Entry,
  type Glass,
  type Plan,
  type Rack,
  type Room,
  type ShelfItem,
  type Source,
  toMoment,
  usualBench,
} from '#core/records'
import { makeColony } from './colonyLog'
import { makeFollowed } from './followed'
import { makeHatches } from './hatches'
import { type DemoLines, makeLines } from './lines'
import { type Making, making, weeksBefore } from './making'
import { lanternQuayPlan } from './plan'
import type { GlassPlan } from './planShapes'
import { ordersOf, planOf, practiceOf, scenariosOf, suppliesOf } from './roomRecords'
import { keepRounds } from './rounds'
import { poured, waterTests, weeksOf } from './waterLog'

/**
 * The invented room with what is true of it. `truth` is for tests only: true numbers by colony id, one a day, the last
 * one today.
 */
export interface DemoRoom {
  backup: Backup
  truth: Record<string, number[]>
}

/** What to make: the same seed and day give the same bytes. */
export interface DemoOptions {
  seed: number
  /** last moment of the records, ms since 1970 */
  untilMs: number
}

/** Weeks that the records go back. */
const WEEKS = 62

/** What stands in the room, as it is being filled. */
interface Filling {
  room: Room
  racks: Rack[]
  glasses: Glass[]
  colonies: Colony[]
  animals: Animal[]
  plans: Plan[]
  entries: Entry[]
  truth: Record<string, number[]>
  sources: Source[]
  shelf: ShelfItem[]
  rounds: { id: string; ms: number }[]
}

/**
 * Lantern Quay, an invented invertebrate room: racks, glasses and colonies with about fourteen months of counts and
 * water tests, with gaps and mistakes, from a hidden true simulation.
 */
export function lanternQuay({ seed, untilMs }: DemoOptions): DemoRoom {
  const maker = making(seed, untilMs)
  const began = weeksBefore(maker, WEEKS)
  const room = roomOf(maker, began)
  const supplies = suppliesOf(maker, room.id, began)
  const filling: Filling = {
    room,
    racks: [],
    glasses: [],
    colonies: [],
    animals: [],
    plans: [],
    entries: [],
    truth: {},
    ...supplies,
    rounds: roundDays(maker),
  }
  for (const [order, rackPlan] of lanternQuayPlan.entries()) {
    const { name, kind, shelves } = rackPlan
    const rack: Rack = {
      ...begun(maker.id(began), began),
      roomId: room.id,
      name,
      kind,
      shelves: shelves.length,
      order,
    }
    filling.racks.push(rack)
    for (const [shelf, glassPlans] of shelves.entries())
      for (const [position, plan] of glassPlans.entries())
        putGlass(maker, filling, plan, { rackId: rack.id, shelf, position })
  }
  const eggLots = addHatches(maker, filling)
  const bred = makeLines(maker, room.id, filling.colonies)
  filling.entries.push(...bred.entries)
  return { backup: backupOf(maker, filling, { ...bred, eggLots }), truth: filling.truth }
}

/** The filled room as a file. */
function backupOf(
  maker: Making,
  { room, racks, glasses, colonies, animals, sources, shelf, plans, entries }: Filling,
  { lines, ladders, generations, breedingGroups, eggLots }: DemoLines & { eggLots: EggLot[] },
): Backup {
  entries.sort((a, b) => (a.id < b.id ? -1 : 1))
  const idOf = (name: string) => colonies.find(c => c.name === name)!.id
  return {
    ...noRows(),
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    exportedAt: toMoment(maker.untilMs),
    rooms: [room],
    racks,
    glasses,
    colonies,
    ...{ lines, ladders, generations, breedingGroups },
    animals,
    eggLots,
    sources,
    shelf,
    plans,
    scenarios: scenariosOf(maker, idOf),
    orders: ordersOf(maker, room.id, idOf),
    practice: practiceOf(maker, room.id),
    entries,
  }
}

/** Larvae, parted young and dry eggs. @returns the lots of the egg bank */
function addHatches(maker: Making, filling: Filling): EggLot[] {
  const { room, racks, glasses, colonies, entries, truth } = filling
  const batch = colonies.find(c => c.form === 'batch')!
  const glass = glasses.find(g => g.id === batch.stays[0]!.glassId)!
  const made = makeHatches(maker, room.id, racks, { batch, glass })
  batch.eggLotId = made.eggLots[0]!.id
  glasses.push(...made.glasses)
  colonies.push(...made.colonies)
  entries.push(...made.entries)
  Object.assign(truth, made.truth)
  return made.eggLots
}

function roomOf(maker: Making, began: number): Room {
  return {
    ...begun(maker.id(began), began),
    name: 'Lantern Quay',
    keepers: [...maker.keepers],
    bench: {
      ...usualBench,
      calibrations: {
        conductivityUsCm: {
          at: toMoment(maker.untilMs - 41 * DAY_MS),
          points: [
            { raw: 88, truth: 84 },
            { raw: 1450, truth: 1413 },
          ],
        },
      },
    },
    care: { days: [2, 6], walk: [] },
    currency: '€',
  }
}

/** Puts a glass on its shelf, with its water, its colonies and all that was written about them. */
function putGlass(maker: Making, filling: Filling, plan: GlassPlan, place: Glass['place']): void {
  const { room, sources, entries } = filling
  const began = weeksBefore(maker, weeksOf(plan))
  const glass: Glass = {
    ...begun(maker.id(began), began),
    roomId: room.id,
    name: plan.name,
    kind: plan.kind,
    grossL: plan.grossL,
    fill: { by: 'height', share: plan.fillShare },
    place,
    ...(plan.inside && { inside: plan.inside }),
    ...(plan.substrate && { substrate: plan.substrate }),
    ...(plan.carbonateG !== undefined && { carbonateG: plan.carbonateG }),
    ...(plan.soilWeeks !== undefined && { soilSince: toMoment(weeksBefore(maker, plan.soilWeeks)) }),
  }
  filling.glasses.push(glass)
  entries.push(...waterTests(maker, plan, glass), ...poured(maker, plan, glass, sources))
  if (plan.curing) filling.plans.push(planOf(maker, plan, glass, sources))
  const living = plan.colonies.map(colonyPlan => {
    const { colony, log, n } = makeColony(maker, colonyPlan, glass)
    filling.colonies.push(colony)
    entries.push(...log)
    const followed = makeFollowed(maker, colonyPlan, { colony, roomId: room.id })
    filling.animals.push(...followed.animals)
    entries.push(...followed.log)
    filling.truth[colony.id] = n
    return { colony, n }
  })
  const { untilMs, away } = maker
  const random = maker.randomFor(`rounds past ${plan.name}`)
  const past = { plan, glass, sources, colonies: living, untilMs, rounds: filling.rounds, random, away }
  const written = keepRounds(past)
  entries.push(...written.map(({ ms, rest }) => Entry.parse({ ...maker.stamp(ms, random), ...rest })))
}

/** Two rounds a week for four months, newest first; the last one a day and a half ago. */
function roundDays({ id, untilMs }: Making): { id: string; ms: number }[] {
  return Array.from({ length: 34 }, (_, i) => {
    const ms = Math.round(untilMs - (1.5 + 3.5 * i) * DAY_MS)
    return { id: id(ms), ms }
  })
}
