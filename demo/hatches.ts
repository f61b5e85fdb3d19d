import { randomGamma } from 'd3-random'
import {
  begun,
  type Colony,
  DAY_MS,
  type EggLot,
  Entry,
  type Glass,
  netLitres,
  type Rack,
  toMoment,
} from '#core/records'
import type { Random } from '#core/stats'
import type { Making } from './making'

/** What hatches bring into the room: larvae in a tub, young crabs by themselves, dry eggs in their rest. */
export interface Hatches {
  glasses: Glass[]
  colonies: Colony[]
  eggLots: EggLot[]
  entries: Entry[]
  /** how many there truly are today, by colony */
  truth: Record<string, number[]>
}

const HOUR_MS = DAY_MS / 24
const nobody = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }

/**
 * Makes them.
 * @param racks where their glasses stand, by name
 * @param pool the glass of the pools, and the batch that lives in it now
 */
export function makeHatches(
  making: Making,
  roomId: string,
  racks: readonly Rack[],
  pool: { glass: Glass; batch: Colony },
): Hatches {
  const floor = racks.find(r => r.kind === 'floor')!
  const tub = glassOf(making, {
    roomId,
    name: 'Larva tub',
    kind: 'tub',
    grossL: 12,
    days: 150,
    rack: floor,
    position: 3,
  })
  const nursery = glassOf(making, {
    ...{ roomId, name: 'Crab nursery', kind: 'box', grossL: 8, days: 20, rack: floor, position: 4 },
  })
  const first = rearing(making, tub, {
    name: 'First larvae',
    days: 140,
    hatched: 820,
    loss: 0.062,
    topGKg: 32,
    green: 2,
  })
  const second = rearing(making, tub, {
    name: 'Second larvae',
    days: 11.6,
    hatched: 640,
    loss: 0.05,
    topGKg: 24,
    green: 3,
  })
  const crabs = youngCrabs(making, nursery)
  const eggs = dryEggs(making, roomId, pool)
  return {
    glasses: [tub, nursery],
    colonies: [first.colony, second.colony, crabs.colony, eggs.batch],
    eggLots: eggs.lots,
    entries: [...first.entries, ...second.entries, ...crabs.entries, ...eggs.entries],
    truth: {
      [first.colony.id]: [0],
      [second.colony.id]: [second.alive],
      [crabs.colony.id]: [14],
      [eggs.batch.id]: [0],
    },
  }
}

interface NewGlass extends Pick<Glass, 'roomId' | 'name' | 'kind' | 'grossL'> {
  days: number
  rack: Rack
  position: number
}
function glassOf(making: Making, { days, rack, position, ...rest }: NewGlass): Glass {
  const ms = making.untilMs - days * DAY_MS
  const fill = { by: 'height' as const, share: 0.8 }
  return { ...begun(making.id(ms), ms), ...rest, fill, place: { rackId: rack.id, shelf: 0, position } }
}

const colonyOf = (
  making: Making,
  ms: number,
  more: Pick<Colony, 'name' | 'groupId' | 'form'> & Partial<Colony>,
): Colony => ({
  ...begun(making.id(ms), ms),
  stays: [],
  schools: {},
  startedAt: toMoment(ms),
  founders: nobody,
  targets: {},
  life: {},
  ...more,
})

/** A rearing of river shrimp: `loss` is the share of larvae that die in a day. */
interface RearingPlan {
  name: string
  days: number
  hatched: number
  loss: number
  topGKg: number
  green: number
}

/** Days from hatch to settling at the tub's warmth: the middle one, and how even they are. */
const SETTLE_DAYS = 27
const EVENNESS = 60

function rearing(making: Making, tub: Glass, plan: RearingPlan): { colony: Colony; entries: Entry[]; alive: number } {
  const random = making.randomFor(plan.name)
  const began = Math.round(making.untilMs - plan.days * DAY_MS)
  const colony = colonyOf(making, began, {
    ...{ name: plan.name, groupId: 'amphidromous-shrimp', form: 'rearing' },
    stays: [{ glassId: tub.id, from: toMoment(began) }],
  })
  const larvae = hatch(plan, random)
  const entries: Entry[] = []
  const write = (day: number, rest: object) => {
    const ms = Math.round(began + day * DAY_MS)
    if (ms < making.untilMs) entries.push(Entry.parse({ ...making.stamp(ms, random), ...rest }))
  }
  const salt = (day: number, gKg: number) =>
    write(day, {
      glassId: tub.id,
      kind: 'waterTest',
      readings: {
        salinityGKg: { value: Math.round(10 * gKg) / 10, method: 'probe' },
        temperatureC: { value: Math.round(10 * (23.4 + random())) / 10, method: 'probe' },
      },
    })
  for (const [step, hours] of [0.5, 2, 4, 6].entries()) {
    const gKg = 8 * (step + 1)
    if (gKg <= plan.topGKg) salt((hours * HOUR_MS) / DAY_MS, gKg + random() - 0.3)
  }
  for (let day = 1.3; day < 40; day += 2.7) salt(day, plan.topGKg + random() - 0.5)
  for (let day = 2.1; day < 40; day += 1)
    if (random() < 0.8)
      write(day, { colonyId: colony.id, kind: 'larvae', green: Math.max(0, plan.green + (random() < 0.25 ? -1 : 0)) })
  const share = 0.5 / netLitres(tub)
  for (let day = 3.3; day < 30; day += 3.9) {
    const sample = sampleOf(larvae, day, share, random)
    if (sample) write(day, { colonyId: colony.id, kind: 'larvae', sample, sampleL: 0.5 })
  }
  const picked = picks(larvae, plan, random)
  for (const { day, number } of picked)
    write(day, { colonyId: colony.id, kind: 'removal', number, outlet: 'sold', text: 'settled ones, picked by hand' })
  const endMs = began + 41 * DAY_MS
  const alive = larvae.filter(l => l.dies > plan.days).length
  if (endMs > making.untilMs) return { colony, entries, alive }
  const ended = { at: toMoment(endMs), why: 'movedOn' as const }
  return { colony: { ...colony, ended }, entries, alive }
}

/** Larvae one by one: when each settles, and when it dies. */
function hatch({ hatched, loss }: RearingPlan, random: Random) {
  const settles = randomGamma.source(random)(EVENNESS, SETTLE_DAYS / EVENNESS)
  return Array.from({ length: hatched }, () => ({ settles: settles(), dies: -Math.log(random()) / loss }))
}
type Larva = ReturnType<typeof hatch>[number]

function sampleOf(larvae: readonly Larva[], day: number, share: number, random: Random) {
  const numbers = { early: 0, middle: 0, late: 0, settled: 0 }
  for (const l of larvae) {
    if (l.dies < day || random() > share || day > l.settles + 2) continue
    const way = day / l.settles
    numbers[way < 1 / 3 ? 'early' : way < 2 / 3 ? 'middle' : way < 1 ? 'late' : 'settled']++
  }
  return Object.values(numbers).some(n => n > 0) ? numbers : null
}

/** What the keepers take out every other day: most of those that have settled. */
function picks(larvae: readonly Larva[], { days }: RearingPlan, random: Random): { day: number; number: number }[] {
  const out: { day: number; number: number }[] = []
  const here = new Set(larvae.filter(l => l.dies > l.settles))
  for (let day = 20; day < Math.min(41, days); day += 2) {
    let number = 0
    for (const l of here)
      if (l.settles < day && random() < 0.8) {
        here.delete(l)
        number++
      }
    if (number > 0) out.push({ day: day + 0.4, number })
  }
  return out
}

/** Young land crabs, taken from their parents two days ago. */
function youngCrabs(making: Making, glass: Glass): { colony: Colony; entries: Entry[] } {
  const began = Math.round(making.untilMs - 2.2 * DAY_MS)
  const random = making.randomFor('young crabs')
  const colony = colonyOf(making, began, {
    ...{ name: 'Tide young', groupId: 'land-crab', form: 'colony', founders: { ...nobody, young: 14 } },
    stays: [{ glassId: glass.id, from: toMoment(began) }],
  })
  const text = 'The female came out of hiding; 14 young on the moss. Parted at once, before the others find them.'
  const seen = { colonyId: colony.id, kind: 'young', amount: 'number', number: 14, text }
  const fed = { glassId: glass.id, kind: 'feeding', food: 'pellet', portions: 1, eaten: 'hour' }
  const entries = [
    Entry.parse({ ...making.stamp(began + HOUR_MS, random), ...seen }),
    Entry.parse({ ...making.stamp(making.untilMs - 6 * HOUR_MS, random), ...fed }),
  ]
  return { colony, entries }
}

/** The batch before, whose ground rests dry, and the bag that the present one was begun from. */
function dryEggs(making: Making, roomId: string, { glass, batch }: { glass: Glass; batch: Colony }) {
  const random = making.randomFor('dry eggs')
  const at = (days: number) => Math.round(making.untilMs - days * DAY_MS)
  const bag: EggLot = {
    ...begun(making.id(at(400)), at(400)),
    ...{ roomId, name: 'Dune pool, bag of last autumn', groupId: batch.groupId, form: 'ground', origin: 'given' },
    ...{ drySince: toMoment(at(430)), class: 'warm', cation: 'calcium', keptAt: 'tin on the top shelf' },
  }
  const began = at(46)
  const dried = at(16)
  const old = colonyOf(making, began, {
    ...{ name: 'Batch 6', groupId: batch.groupId, form: 'batch', eggLotId: bag.id },
    stays: [{ glassId: glass.id, from: toMoment(began) }],
    ended: { at: toMoment(dried), why: 'dried' },
  })
  const own: EggLot = {
    ...begun(making.id(dried), dried),
    ...{ roomId, name: 'Eggs of Batch 6', groupId: batch.groupId, form: 'ground', origin: 'own' },
    ...{ drySince: toMoment(dried), class: 'warm', cation: 'calcium', fromColonyId: old.id },
  }
  const seen = [
    [2.2, { kind: 'count', number: 70, method: 'estimate' }],
    [6.1, { kind: 'count', number: 55, method: 'estimate' }],
    [11.3, { kind: 'count', number: 38, method: 'estimate' }],
    [19.2, { kind: 'count', number: 9, method: 'estimate' }],
  ] as const
  const entries = seen.map(([day, rest]) =>
    Entry.parse({ ...making.stamp(began + day * DAY_MS, random), colonyId: old.id, ...rest }),
  )
  return { batch: old, lots: [bag, own], entries }
}
