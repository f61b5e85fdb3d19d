import { RESTING } from '#core/broods'
import type { StageRates } from '../../../core/population/lifeCycle'
import type { StepMore } from '../../../core/population/pass'
import * as stages from '../../../core/population/stages'
import { stepOf } from '../../../core/population/step'

/** The first, a middle and the last room of eggs beside the other rows. */
export const rows = { ...stages, EGGS_3: stages.EGGS + 3, EGGS_7: stages.EGGS + 7 }
export type Row = keyof Omit<typeof rows, 'stageNames' | 'stageRows' | 'counted' | 'PARAMETERS' | 'STAGES' | 'ROWS'>
export const SIZE = 4000
/** Broods that go on by so many rooms, all of them. */
export const onBy = (rooms: number) => ({ ...RESTING, hop: [...Array.from({ length: rooms }, () => 0), 1] })

export const still: StageRates = {
  ...{ dtWeeks: 1, capacity: 1e9, carried: true, needsMale: true, femaleShare: 0.5 },
  eggs: RESTING,
  ...{ firstLeave: 0, youngLeave: 0, firstHazard: 0, youngHazard: 0, adultHazard: 0 },
  ...{ broods: 0, broodSize: 1, comeUp: 0, holds: -1, growth: 0, growthByRecruits: 0, growthByLosses: 0 },
}
/** The same colony so many times, lived through one step. */
export function lived(
  rates: Partial<StageRates>,
  from: Partial<Record<Row, number>>,
  more: StepMore = {},
  size = SIZE,
) {
  const cloud = new Float64Array(rows.ROWS * size)
  for (const [row, value] of Object.entries(from))
    cloud.fill(value, rows[row as Row] * size, (rows[row as Row] + 1) * size)
  stepOf({ ...still, ...rates })({ cloud, size }, 12_345, more)
  const of = (row: Row) => Array.from(cloud.subarray(rows[row] * size, (rows[row] + 1) * size))
  return { of, mood: of('MOOD'), size, cloud }
}
export const mean = (x: readonly number[]) => x.reduce((a, b) => a + b, 0) / x.length
export const variance = (x: readonly number[], m = mean(x)) => mean(x.map(v => (v - m) ** 2))
/** How far the sum lies from what is expected of each, in standard deviations; and the spread against its law. */
export function against(x: readonly number[], law: (i: number) => { mean: number; variance: number }) {
  let off = 0
  let all = 0
  let squares = 0
  for (const [i, v] of x.entries()) {
    const l = law(i)
    off += v - l.mean
    all += l.variance
    squares += (v - l.mean) ** 2 / l.variance
  }
  return { off: off / Math.sqrt(all), spread: squares / x.length }
}
export const binomial = (n: number, p: number) => ({ mean: n * p, variance: n * p * (1 - p) })
