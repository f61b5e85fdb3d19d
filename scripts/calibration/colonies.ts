import { randomLogNormal, randomNormal } from 'd3-random'
import { type ResolvedGroup, resolveGroup } from '#core/groups'
import { begun, type Colony, type CountMethod, DAY_MS, Entry, type Glass, toMoment } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { v7 as uuid } from 'uuid'
import {
  broodsAbout,
  countable,
  found,
  grownFemales,
  liveDay,
  type LivingColony,
  look,
  type Nature,
  takeOut,
} from './livingColony'

/** Groups that the calibration draws from: carried eggs and laid ones, quick and slow, in place. */
export const calibrationGroups = [
  'neocaridina',
  'bee-shrimp',
  'ramshorn-snail',
  'trumpet-snail',
  'water-isopod',
  'dwarf-crayfish',
] as const

/** One synthetic colony with the log that a keeper would have written, and what was true. */
export interface CalibrationCase {
  groupId: string
  colony: Colony
  glass: Glass
  entries: Entry[]
  nowMs: number
  truth: { now: number; in8: number; females: number }
}

const WEEKS_AHEAD = 8
const NOW = Date.parse('2026-06-01T12:00:00.000Z')

/**
 * Makes a colony of a group: its nature is drawn about the group's defaults, wide enough to be wrong, and lived day by
 * day.
 * A colony that died out or never grew past three is drawn anew, since nobody keeps a log of it.
 */
export function makeCase(groupId: string, seed: number): CalibrationCase {
  for (let attempt = 0; attempt < 40; attempt++) {
    const made = tryCase(groupId, seededRandom(hashText(`${groupId} ${seed} ${attempt}`)))
    if (made) return made
  }
  throw new RangeError(`no colony of ${groupId} lived with seed ${seed}`)
}

function tryCase(groupId: string, random: Random): CalibrationCase | null {
  const normal = randomNormal.source(random)
  const lognormal = (sd: number) => randomLogNormal.source(random)(0, sd)()
  const id = () => uuid({ msecs: NOW, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) })
  const litres = 15 + Math.floor(random() * 60)
  const glass = {
    ...begun(id(), NOW),
    roomId: id(),
    name: 'Glass',
    kind: 'tank',
    grossL: litres,
    fill: { by: 'netLitres', netL: litres },
    place: { rackId: id(), shelf: 0, position: 0 },
  } as Glass
  const weeks = 20 + Math.floor(random() * 56)
  const began = NOW - weeks * 7 * DAY_MS
  const females = 4 + Math.floor(random() * 12)
  const males = 2 + Math.floor(random() * 6)
  const resolved = resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
  const hermaphrodite = resolved.group.stages.femaleShare.value === 1
  const colony: Colony = {
    ...begun(id(), began),
    form: 'colony',
    stays: [{ glassId: glass.id, from: toMoment(began) }],
    name: 'Case',
    groupId,
    schools: {},
    startedAt: toMoment(began),
    targets: {},
    life: {},
    founders: hermaphrodite
      ? { females: 0, males: 0, unsexed: females + males, halfGrown: 0, young: 0 }
      : { females, males, unsexed: 0, halfGrown: 0, young: 0 },
  }
  const nature = natureOf(resolved, litres, normal()(), { random, lognormal })
  const living = found(nature, hermaphrodite ? females + males : females, hermaphrodite ? 0 : males, random)
  const entries = keepLog({ living, colony, nature, resolved, weeks, began, id }, { random, lognormal })
  const now = countable(living).length
  const grown = grownFemales(living).length
  if (now < 3 || now > 4000) return null
  for (let d = 0; d < WEEKS_AHEAD * 7; d++) liveDay(living, nature, random)
  return { groupId, colony, glass, entries, nowMs: NOW, truth: { now, in8: countable(living).length, females: grown } }
}

/** Chance, and a factor that strays by so much on the log scale. */
interface Luck {
  random: Random
  lognormal: (sd: number) => number
}

/** A colony that is lived through while its keeper writes. */
interface Kept {
  living: LivingColony
  colony: Colony
  nature: Nature
  resolved: ResolvedGroup
  weeks: number
  began: number
  id: () => string
}

/**
 * A nature about the group's defaults: times and sizes within a fifth or so, births so that growth lies about the
 * group's with its spread.
 */
function natureOf(
  { group, growthPerWeek, capacityPerL }: ResolvedGroup,
  litres: number,
  z: number,
  { random, lognormal }: Luck,
): Nature {
  const s = group.stages
  const nature: Nature = {
    eggDays: s.eggWeeks.value * 7 * lognormal(0.1),
    countableDays: s.firstWeeks.value * 7 * lognormal(0.15),
    matureDays: (s.firstWeeks.value + s.youngWeeks.value) * 7 * lognormal(0.12),
    lifeDays: s.adultWeeks.value * 7 * lognormal(0.25),
    broodSize: s.broodSize.value * lognormal(0.2),
    restDays: s.restWeeks.value * 7 * lognormal(0.2),
    femaleShare: s.femaleShare.value,
    carried: s.eggs === 'carried',
    comeUp: 0,
    room: capacityPerL.value * litres * lognormal(0.4),
    blows: { chance: 0.006, share: 0.1 + 0.5 * random() },
  }
  const growth = growthPerWeek.value + growthPerWeek.sd * Math.max(-1.8, Math.min(1.8, z))
  return { ...nature, comeUp: comeUpForGrowth(nature, growth / 7) }
}

/**
 * Euler and Lotka's equation for this life, solved for the share that comes up: one female egg must give back one,
 * discounted by the growth.
 */
function comeUpForGrowth(n: Nature, perDay: number): number {
  let sum = 0
  const interval = n.carried ? n.eggDays + n.restDays : Math.max(n.restDays, 0.5)
  for (let t = n.restDays / 2; t < 3 * n.lifeDays; t += interval)
    sum +=
      Math.exp(-perDay * (n.eggDays + n.matureDays + t)) * Math.exp(-0.12 * (Math.exp((3 * t) / 0.92 / n.lifeDays) - 1))
  return Math.min(0.95, 1 / (sum * n.broodSize * 0.85 * n.femaleShare))
}

/**
 * Weeks between full looks, how counts are made, what is sold, berried sightings, the dead that are found, a slip or
 * two.
 */
function keepLog(kept: Kept, { random, lognormal }: Luck): Entry[] {
  const { living, colony, nature, weeks, began, id } = kept
  const { group, counting } = kept.resolved
  const entries: Entry[] = []
  const glassEye = lognormal(0.5 * counting.allSeen.sdLog)
  const every = 2 + Math.floor(random() * 6)
  const usual: CountMethod = random() < 0.6 ? 'allSeen' : random() < 0.6 ? 'atFood' : 'partOfTank'
  const sells = random() < 0.5
  const sign = group.care.brood?.sign
  const write = (rest: object) => {
    const at = toMoment(began + living.day * DAY_MS - DAY_MS / 4)
    entries.push(Entry.parse({ id: id(), at, loggedAt: at, colonyId: colony.id, ...rest }))
  }
  let next = Math.round(every * 7 * (0.5 + random()))
  for (let day = 1; day <= weeks * 7; day++) {
    const before = living.animals.length
    liveDay(living, nature, random)
    const n = countable(living).length
    const died = Math.max(0, before - living.animals.length)
    if (died > 0 && random() < 0.15)
      write({ kind: 'death', number: Math.min(died, 1 + Math.floor(random() * 2)), sign: 'unknown' })
    if (day === next) {
      next += Math.round(every * 7 * (0.6 + 0.8 * random()))
      const method: CountMethod = random() < 0.8 ? usual : 'estimate'
      const { share, sdLog } = counting[method as 'allSeen']
      const part = method === 'partOfTank' ? 0.2 : 1
      const eye = method === 'allSeen' || method === 'atFood' ? glassEye : 1
      let number =
        method === 'estimate'
          ? Math.round((n * lognormal(sdLog * 0.9)) / (n > 60 ? 10 : 1)) * (n > 60 ? 10 : 1)
          : look(n, { share: share * part, glass: eye, sdLog: sdLog * 0.87 }, random)
      if (random() < 0.02) number = Math.round(number * (random() < 0.5 ? 3 : 0.3))
      write({ kind: 'count', number, method, ...(part < 1 && { share: part }) })
      if (sign === 'berried' && random() < 0.5)
        write({ kind: 'berried', number: look(broodsAbout(living), { share: 0.6, sdLog: 0.4 }, random) })
      if (sign === 'eggMass' && random() < 0.5)
        write({ kind: 'eggMass', number: look(broodsAbout(living), { share: 0.22, sdLog: 0.4 }, random) })
    }
    if (sells && day % 28 === 0 && n > 60)
      write({
        kind: 'removal',
        number: takeOut(living, Math.round(n * (0.08 + 0.15 * random())), random),
        outlet: 'sold',
      })
  }
  return entries
}
