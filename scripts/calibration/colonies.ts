import { randomLogNormal, randomNormal } from 'd3-random'
import { type ResolvedGroup, resolveGroup } from '#core/groups'
import { begun, type Colony, DAY_MS, type Entry, type Glass, toMoment } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { v7 as uuid } from 'uuid'
import { cohorts } from './cohorts'
import { type DieOff, keepLog, type Variant } from './keeper'
import { countable, type Founders, type LivingColony, type Nature } from './living'
import { singleAnimals } from './singleAnimals'

/** Groups that the calibration draws from: carried eggs and laid ones, quick and slow, in place. */
export const calibrationGroups = [
  'neocaridina',
  'bee-shrimp',
  'ramshorn-snail',
  'trumpet-snail',
  'water-isopod',
  'dwarf-crayfish',
] as const

/** Ways of living that the model does not know; they feel crowding by different laws. */
const ways = { singleAnimals, cohorts }
export type Way = keyof typeof ways
export const waysOfLiving = Object.keys(ways) as Way[]

/** One synthetic colony with the log that a keeper would have written, and what was true. */
export interface CalibrationCase {
  variant: Variant
  groupId: string
  way: Way
  colony: Colony
  glass: Glass
  entries: Entry[]
  nowMs: number
  /** where it was given one */ dieOff: DieOff | null
  truth: { now: number; in8: number; females: number; /** broods that hatch within two weeks */ hatching: number }
}

const WEEKS_AHEAD = 8
const NOW = Date.parse('2026-06-01T12:00:00.000Z')

/**
 * What comes over a colony: blows by chance, as anybody's; none at all; or none but, in the last third of its log, a
 * sickness or a night in which many vanish.
 */
export type Fate = 'any' | 'calm' | 'dieOff' | 'loss'

/** Chance, and a factor that strays by so much on the log scale. */
export interface Luck {
  random: Random
  lognormal: (sd: number) => number
}

/**
 * Makes a colony of a group: its nature is drawn about the group's defaults, wide enough to be wrong, and lived day by
 * day. It is asked about at some day of its life. A colony that died out or never grew past three is drawn anew, since
 * nobody keeps a log of it. The same seed lives the same life in every variant of its log.
 */
export function makeCase(
  groupId: string,
  seed: number,
  { way, variant = 'all', fate = 'any', ahead = 0 }: { way?: Way; variant?: Variant; fate?: Fate; ahead?: number } = {},
) {
  const lived = way ?? waysOfLiving[seed % waysOfLiving.length]!
  for (let attempt = 0; attempt < 40; attempt++) {
    const named = hashText(`${groupId} ${lived} ${seed} ${attempt}`)
    const made = tryCase(groupId, { way: lived, variant, fate, ahead }, named)
    if (made) return made
  }
  throw new RangeError(`no colony of ${groupId} lived with seed ${seed}`)
}

function tryCase(
  groupId: string,
  { way, variant, fate, ahead }: { way: Way; variant: Variant; fate: Fate; ahead: number },
  seed: number,
): CalibrationCase | null {
  let drawn = seededRandom(seed)
  const random: Random = () => drawn()
  const luck: Luck = { random, lognormal: sd => randomLogNormal.source(random)(0, sd)() }
  const id = () => uuid({ msecs: NOW, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) })
  const litres = 15 + Math.floor(random() * 60)
  const glass = glassOf(id, litres)
  const weeks = 16 + Math.floor(random() * 110)
  const began = NOW - weeks * 7 * DAY_MS
  const sexed = { females: 4 + Math.floor(random() * 12), males: 2 + Math.floor(random() * 6) }
  const resolved = resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
  const hermaphrodite = resolved.group.stages.femaleShare.value === 1
  const all = sexed.females + sexed.males
  const founders: Founders = hermaphrodite ? { females: all, males: 0 } : sexed
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
      ? { females: 0, males: 0, unsexed: all, halfGrown: 0, young: 0 }
      : { ...sexed, unsexed: 0, halfGrown: 0, young: 0 },
  }
  const nature = natureOf(resolved, litres, luck)
  if (fate !== 'any') nature.blows.chance = 0
  const living = ways[way](nature, founders, random)
  const dieOff = comesOver[fate](weeks, random)
  const entries = keepLog({ living, colony, resolved, weeks, began, id, variant, dieOff }, luck)
  const told = living.told()
  const now = countable(told)
  if (now < 3 || now > 4000) return null
  if (ahead > 0) drawn = seededRandom(hashText(`${seed} ${ahead}`))
  return {
    variant,
    groupId,
    way,
    colony,
    glass,
    entries,
    nowMs: NOW,
    dieOff,
    truth: { now, females: told.females, ...comes(living) },
  }
}

const glassOf = (id: () => string, litres: number) =>
  ({
    ...begun(id(), NOW),
    roomId: id(),
    name: 'Glass',
    kind: 'tank',
    grossL: litres,
    fill: { by: 'netLitres', netL: litres },
    place: { rackId: id(), shelf: 0, position: 0 },
  }) as Glass

const nothing = () => null
/** A sickness of three weeks in the last third of a log, of which up to six in ten die. */
const sickness = (weeks: number, random: Random): DieOff => ({
  day: Math.round(weeks * 7 * (0.67 + 0.2 * random())),
  days: 21,
  share: 0.15 + 0.45 * random(),
  bodies: true,
})
/** A night in the last third of a log after which four to eight in ten are gone. */
const night = (weeks: number, random: Random): DieOff => ({
  day: Math.round(weeks * 7 * (0.67 + 0.2 * random())),
  days: 1,
  share: 0.4 + 0.4 * random(),
  bodies: false,
})

const comesOver: Record<Fate, (weeks: number, random: Random) => DieOff | null> = {
  any: nothing,
  calm: nothing,
  dieOff: sickness,
  loss: night,
}

/** What comes: the broods of two weeks, and the number in eight. */
function comes(living: LivingColony): Pick<CalibrationCase['truth'], 'hatching' | 'in8'> {
  const before = living.hatched()
  let hatching = 0
  for (let day = 1; day <= WEEKS_AHEAD * 7; day++) {
    living.live()
    if (day === 14) hatching = living.hatched() - before
  }
  return { hatching, in8: countable(living.told()) }
}

/**
 * A nature about the group's defaults: times and sizes within a fifth or so, growth about the group's with its spread,
 * room about what the litres give.
 */
function natureOf(
  { group, growthPerWeek, capacityPerL }: ResolvedGroup,
  litres: number,
  { random, lognormal }: Luck,
): Nature {
  const s = group.stages
  const z = Math.max(-1.8, Math.min(1.8, randomNormal.source(random)()()))
  return {
    eggDays: s.eggWeeks.value * 7 * lognormal(0.1),
    countableDays: s.firstWeeks.value * 7 * lognormal(0.15),
    matureDays: (s.firstWeeks.value + s.youngWeeks.value) * 7 * lognormal(0.12),
    lifeDays: s.adultWeeks.value * 7 * lognormal(0.25),
    broodSize: s.broodSize.value * lognormal(0.2),
    restDays: s.restWeeks.value * 7 * lognormal(0.2),
    femaleShare: s.femaleShare.value,
    carried: s.eggs === 'carried',
    growth: (growthPerWeek.value + growthPerWeek.sd * z) / 7,
    room: capacityPerL.value * litres * lognormal(0.5),
    blows: { chance: 0.006, share: 0.1 + 0.5 * random() },
  }
}
