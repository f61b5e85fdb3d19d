import { randomBinomial, randomLogNormal } from 'd3-random'
import type { Random } from '#core/stats'

/** Animals by what a keeper can tell apart. */
export interface Told {
  females: number
  males: number
  halfGrown: number
  /** too small to be counted among the others */
  hatchlings: number
}

/** A colony that is lived day by day, whatever it is made of. */
export interface LivingColony {
  /** lives one more day */
  live: () => void
  told: () => Told
  /** females with eggs, or masses about */
  broods: () => number
  /** broods that have hatched so far */
  hatched: () => number
  /** countable animals that died on the last day */
  died: () => number
  /** lets a share of all animals vanish, the young as well */
  strike: (share: number) => void
  /** takes countable animals out at random, half-grown and grown alike; @returns how many there were to take */
  takeOut: (number: number) => number
}

/** Animals that a keeper counts: grown and half-grown. */
export const countable = ({ females, males, halfGrown }: Told): number => females + males + halfGrown

/** What is true of one colony, however it is lived. Times in days. */
export interface Nature {
  eggDays: number
  countableDays: number
  matureDays: number
  lifeDays: number
  broodSize: number
  restDays: number
  femaleShare: number
  carried: boolean
  /** growth a day in an empty glass, natural logarithm */
  growth: number
  /** animals at which it holds itself, near enough: each way of living feels it in its own way */
  room: number
  /** chance of a blow in a week, and the share of animals that it kills */
  blows: { chance: number; share: number }
}

/** Who it begins with, grown. */
export interface Founders {
  females: number
  males: number
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
  return seen(number, shareToday({ share, glass, sdLog }, random), random)
}
/** The share that is found on one day. */
export const shareToday = ({ share, glass = 1, sdLog }: Look, random: Random): number =>
  Math.min(1, share * glass * randomLogNormal.source(random)(0, sdLog)())
/** What is found of a number with a share. */
export const seen = (number: number, share: number, random: Random): number =>
  randomBinomial.source(random)(number, Math.min(1, share))()
