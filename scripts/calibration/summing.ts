import { calibrationGroups } from './colonies'

/** What all parts of the calibration are made and summed up by. */

/** Results for colonies of every group, one or more for each seed. */
export const inEveryGroup = <T>(seeds: readonly number[], of: (groupId: string, seed: number) => readonly T[]): T[] =>
  calibrationGroups.flatMap(groupId => seeds.flatMap(seed => of(groupId, seed)))

/** The value below which such a share of them lies, NaN of none. */
export const ranked = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.floor(share * values.length)] ?? NaN
/** The middle one. */
export const middle = (values: readonly number[]): number => ranked(values, 0.5)

/** Of so many a test holds, as a share. */
export const shareOf = <T>(of: readonly T[], test: (one: T) => boolean): number => of.filter(test).length / of.length

/** A figure of each, added up. */
export const sumOf = <T>(of: readonly T[], figure: (one: T) => number): number =>
  of.reduce((sum, one) => sum + figure(one), 0)
