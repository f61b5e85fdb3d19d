import { EGG_ROOMS } from '#core/broods'
import { normalFrom, streamAt, Z80 } from '#core/stats'
import { broodsIn } from './broodsIn'
import { crowded } from './crowd'
import { BROOD_SPREAD } from './eggPasses'
import type { Fit } from './fit'
import { luckAt } from './luck'
import { rangeOver } from './particles'
import type { BroodsToday, PopulationQuestion, Range } from './question'
import { counted, EGGS, LOSSES, MOOD, RECRUITS, ROOM, SHAPE } from './stages'
import { stepOf } from './step'

/** Days ahead for which the hatching broods are told. */
const SOON_DAYS = 14

/**
 * How often they lay differs from colony to colony by a fifth (from memory). Who carries is busy for most of the time
 * anyway, so that it is felt half there.
 */
const LAYS_SD = { laid: 0.2, carried: 0.1 }

/** The broods of a colony today: how many, how far they are, what hatches soon and how many of the young grow up. */
export function broodsToday(fit: Pick<Fit, 'cloud' | 'size'>, question: PopulationQuestion): BroodsToday {
  const { cloud, size } = fit
  const over = (value: (i: number) => number): Range => rangeOver(fit, value)
  const hatching = hatchingSoon(fit, question)
  const key = streamAt(question.seed, -14)
  const laysSd = LAYS_SD[question.rates.carried ? 'carried' : 'laid']
  return {
    ...over(i => broodsIn(cloud, size, i)),
    rooms: Array.from({ length: EGG_ROOMS }, (_, room) => meanOf(cloud, (EGGS + room) * size, size)),
    soon: over(i => Math.round(hatching[i]! * Math.exp(laysSd * normalFrom(luckAt(key, i, 0))))),
    youngEach: question.rates.broodSize,
    growUp: over(i => grownUp(fit, question, i)),
  }
}

const meanOf = (cloud: Float64Array, from: number, size: number) =>
  cloud.subarray(from, from + size).reduce((a, b) => a + b, 0) / size

/** Broods that hatch in each possible colony within two weeks. */
function hatchingSoon({ cloud, size }: Pick<Fit, 'cloud' | 'size'>, { rates, seed }: PopulationQuestion): Float64Array {
  const ahead = cloud.slice()
  const step = stepOf(rates)
  const hatched = new Float64Array(size)
  const sum = new Float64Array(size)
  const steps = Math.round(SOON_DAYS / 7 / rates.dtWeeks)
  for (let nth = 0; nth < steps; nth++) {
    step({ cloud: ahead, size }, streamAt(seed, -13, nth), { hatched })
    for (let i = 0; i < size; i++) sum[i] = sum[i]! + hatched[i]!
  }
  return sum
}

/** Young of one brood that are half-grown one day, at today's crowding, in one possible colony. */
function grownUp({ cloud, size }: Pick<Fit, 'cloud' | 'size'>, { rates }: PopulationQuestion, i: number): number {
  const of = (row: number) => cloud[row * size + i]!
  const { comeUp, loss } = crowded(rates, {
    ...{ recruits: of(RECRUITS), losses: of(LOSSES), mood: of(MOOD), shape: of(SHAPE) },
    ...{ n: counted(cloud, size, i), room: rates.capacity * Math.exp(of(ROOM)) },
  })
  return rates.broodSize * comeUp * passes(Math.exp(-rates.firstHazard * loss), rates.firstLeave)
}

/** Share that leaves a stage alive, with a share that survives each step and a chance to leave in it. */
const passes = (survive: number, leave: number) => (survive * leave) / (1 - survive * (1 - leave))

/**
 * Young of some broods, and those of them that are half-grown one day, with their likely ranges: sizes of broods
 * differ, of several together less.
 */
export function youngOf(
  broods: number,
  today: Pick<BroodsToday, 'youngEach' | 'growUp'>,
): { young: Range; growUp: Range } {
  const value = broods * today.youngEach
  const off = (Z80 * BROOD_SPREAD * value) / Math.sqrt(Math.max(1, broods))
  const { low, high } = today.growUp
  return {
    young: { value, low: value - off, high: value + off },
    growUp: { value: broods * today.growUp.value, low: broods * low, high: broods * high },
  }
}
