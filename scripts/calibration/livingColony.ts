import { randomBinomial, randomLogNormal, randomNormal, randomPoisson } from 'd3-random'
import type { Random } from '#core/stats'

/**
 * A colony that the fitted model does not know: single animals with an age of their own, day by day. Deliberately built
 * otherwise than `core/population`: animals ripen at an age that each has from birth (no rooms, no chance to leave
 * them), die of age by a Gompertz curve, are born in broods of a day, feel crowding as a straight line, and share bad
 * weeks (a heater, a missed feeding) that come as blows rather than as a mood that wanders.
 */

/** What is true of one colony. Weeks, and animals per litre do not matter here: `room` is in animals. */
export interface Nature {
  eggDays: number
  countableDays: number
  matureDays: number
  lifeDays: number
  broodSize: number
  restDays: number
  femaleShare: number
  carried: boolean
  /** share of eggs that become countable young in an empty tank */
  comeUp: number
  room: number
  /** chance of a blow in a week, and the share of animals that it kills */
  blows: { chance: number; share: number }
}

interface Animal {
  female: boolean
  born: number
  countableAt: number
  matureAt: number
  diesAt: number
  berriedUntil: number
  freeFrom: number
}

export interface LivingColony {
  day: number
  animals: Animal[]
  /** broods on the way: day of the hatch and eggs */
  broods: { hatches: number; eggs: number; mother: Animal }[]
}

const DAYS = 7

/** Days that an animal has to live once grown: Gompertz, so that age tells (most die old, some early). */
function daysToLive(nature: Nature, random: Random): number {
  const shape = 3
  // inverse of S(t) = exp(−b(e^{at} − 1)) with its mean near lifeDays
  const a = shape / nature.lifeDays
  const b = 0.12
  return (Math.log(1 - Math.log(1 - random()) / b) / a) * 0.92
}

/** A colony on its first day: grown animals of mixed age. */
export function found(nature: Nature, females: number, males: number, random: Random): LivingColony {
  const animal = (female: boolean): Animal => ({
    female,
    born: -nature.matureDays * (1 + 0.5 * random()),
    countableAt: -1,
    matureAt: 0,
    diesAt: daysToLive(nature, random) * (0.6 + 0.4 * random()),
    berriedUntil: -1,
    freeFrom: Math.floor(random() * nature.restDays),
  })
  return {
    day: 0,
    broods: [],
    animals: [
      ...Array.from({ length: females }, () => animal(true)),
      ...Array.from({ length: males }, () => animal(false)),
    ],
  }
}

/** One day. */
export function liveDay(c: LivingColony, nature: Nature, random: Random): void {
  const normal = randomNormal.source(random)
  const poisson = randomPoisson.source(random)
  const day = ++c.day
  const n = countable(c).length
  if (day % DAYS === 0 && random() < nature.blows.chance)
    c.animals = c.animals.filter(() => random() > nature.blows.share)
  const males = nature.femaleShare === 1 || c.animals.some(a => !a.female && a.matureAt <= day)
  for (const a of c.animals) {
    if (!a.female || a.matureAt > day || a.freeFrom > day || !males) continue
    const eggs = Math.max(1, Math.round(nature.broodSize * (0.7 + 0.3 * random()) * (1 + 0.25 * normal()())))
    const hatches = day + Math.round(nature.eggDays * (0.9 + 0.2 * random()))
    c.broods.push({ hatches, eggs, mother: a })
    a.berriedUntil = nature.carried ? hatches : -1
    a.freeFrom = (nature.carried ? hatches : day) + Math.max(1, Math.round(nature.restDays * (0.4 + 1.2 * random())))
  }
  const survival = nature.comeUp * Math.max(0.01, 1 - n / nature.room)
  const born: Animal[] = []
  c.broods = c.broods.filter(b => {
    if (b.hatches > day) return true
    if (nature.carried && b.mother.diesAt <= day) return false
    // those that will not come up are never made: nobody sees them
    for (let k = poisson(b.eggs * survival)(); k > 0; k--) {
      born.push({
        female: random() < nature.femaleShare,
        born: day,
        countableAt: day + Math.round(nature.countableDays * (0.8 + 0.4 * random())),
        matureAt: day + Math.round(nature.matureDays * (0.8 + 0.4 * random())),
        diesAt: day + nature.matureDays * 0.6 + daysToLive(nature, random),
        berriedUntil: -1,
        freeFrom: 0,
      })
      if (born.at(-1)!.freeFrom === 0)
        born.at(-1)!.freeFrom = born.at(-1)!.matureAt + Math.round(random() * nature.restDays)
    }
    return false
  })
  c.animals = c.animals.filter(a => a.diesAt > day)
  c.animals.push(...born)
}

/** Animals that a keeper counts: grown and half-grown. */
export const countable = (c: LivingColony): Animal[] => c.animals.filter(a => a.countableAt <= c.day)
export const grownFemales = (c: LivingColony): Animal[] => c.animals.filter(a => a.female && a.matureAt <= c.day)
/** Females with eggs, or masses about. */
export const broodsAbout = (c: LivingColony): number => c.broods.length

/** Takes countable animals out at random, half-grown and grown alike. */
export function takeOut(c: LivingColony, number: number, random: Random): number {
  const there = countable(c)
  const out = new Set<Animal>()
  while (out.size < Math.min(number, there.length)) out.add(there[Math.floor(random() * there.length)]!)
  c.animals = c.animals.filter(a => !out.has(a))
  return out.size
}

/** How much of a number a look finds. */
export interface Look {
  share: number
  /** factor of this glass, the same at every look */
  glass?: number
  /** spread from day to day */
  sdLog: number
}

/** What a keeper sees of a number with a share that is the same for this glass and one that changes from day to day. */
export function look(number: number, { share, glass = 1, sdLog }: Look, random: Random): number {
  const p = Math.min(1, share * glass * randomLogNormal.source(random)(0, sdLog)())
  return randomBinomial.source(random)(number, p)()
}
