import { type BatchTold, SAMPLE_DAYS } from '#core/batches'
import { DAY_MS, type EggLot, momentMs, presentGlassId, WEEK_MS } from '#core/records'
import { groupOf } from '#core/groups'
import { CP, M } from '../figures'
import type { ColonyCare, DueItem, RoomCareInput } from '../item'
import { item } from './tools'

/** What larvae in a tub, and a pool of dry eggs, ask for on their way. */
export function batchRule(care: ColonyCare, nowMs: number): DueItem[] {
  const { batch } = care
  const salt = saltSteps(care)
  if (!batch) return salt
  return batch.kind === 'larvae'
    ? isDone(batch, nowMs)
      ? []
      : [...salt, ...ofTub(care, batch)]
    : ofPool(care, batch, nowMs)
}

/** Whether nothing is waited for any more. */
const isDone = ({ toCome, alive, arrive }: BatchTold, nowMs: number) =>
  alive.high < 1 || (toCome.high < 1 && nowMs > (arrive.nearly?.value ?? 0))

const base = (care: ColonyCare) => ({ colonyId: care.colony.id, glassId: presentGlassId(care.colony) })
const daily = { everyDays: 1, earlyDays: 0.25, flexible: false } as const

/** The next step of salt, up after the hatch or down on the way back: due at its hour. */
function saltSteps(care: ColonyCare): DueItem[] {
  const next = care.salt.find(s => s.doneMs === null)
  if (!next) return []
  const up = care.colony.form === 'rearing'
  const inRange = care.values.some(v => v.key === 'salinityGKg' && v.state === 'onTarget')
  return [
    item({
      ...base(care),
      key: `salt:${care.colony.id}`,
      kind: 'saltStep',
      dueMs: next.atMs,
      everyDays: null,
      earlyDays: 0,
      // once the water is theirs, the rest of the way harms nobody by a week
      lateDays: up ? (inRange ? 14 : 0.1) : 0.5,
      minutes: 5,
      flexible: false,
      timed: true,
      why: up ? 'saltUp' : 'saltDown',
      whyValues: { n: care.salt.indexOf(next) + 1, of: care.salt.length },
      basis: CP,
      values: { gKg: next.gKg, up: up ? 1 : 0 },
    }),
  ]
}

/** Green water, a sample from time to time, and picking once they settle. */
function ofTub(care: ColonyCare, batch: BatchTold): DueItem[] {
  const { beganMs, greens, samples, arrive, out } = batch
  const green = greens.at(-1)
  const looked = green?.at ?? beganMs
  const sampled = samples.at(-1)?.at ?? beganMs - (SAMPLE_DAYS - 1) * DAY_MS
  const first = arrive.first?.value ?? Infinity
  const items = [
    item({
      ...base(care),
      ...daily,
      key: `green:${care.colony.id}`,
      kind: 'greenWater',
      dueMs: looked + DAY_MS,
      lateDays: 0.5,
      minutes: 1,
      why: 'greenDaily',
      whyValues: { green: green?.green ?? -1 },
      basis: M,
    }),
    item({
      ...base(care),
      key: `sample:${care.colony.id}`,
      kind: 'larvaSample',
      dueMs: sampled + SAMPLE_DAYS * DAY_MS,
      everyDays: SAMPLE_DAYS,
      earlyDays: 1,
      lateDays: 3,
      minutes: 8,
      flexible: true,
      why: samples.length > 0 ? 'sampleEvery' : 'sampleNever',
      whyValues: { every: SAMPLE_DAYS },
      basis: M,
    }),
  ]
  if (first === Infinity) return items
  const pick = item({
    ...base(care),
    ...daily,
    key: `pick:${care.colony.id}`,
    kind: 'pick',
    // the first day stands in the calendar, those of every day do not
    everyDays: out.lastMs === null ? null : 1,
    dueMs: Math.max(first, (out.lastMs ?? -Infinity) + DAY_MS),
    lateDays: 1,
    minutes: 10,
    why: 'pickSettled',
    whyValues: { low: batch.toCome.low, high: batch.toCome.high },
    basis: CP,
    values: { ready: batch.stages.at(-1)!.now.value },
  })
  return [...items, pick]
}

/** Whether they hatched is looked at daily; when hardly any are left the pool is let dry. */
function ofPool(care: ColonyCare, batch: BatchTold, nowMs: number): DueItem[] {
  const { beganMs, hatch, endsMs } = batch
  const seen = care.entries.findLast(e => ['young', 'count', 'berried'].includes(e.kind))
  const hatched = care.entries.some(e => e.kind === 'young' || ('number' in e && Number(e.number) > 0))
  if (!hatched) {
    if (nowMs > hatch.high + 4 * DAY_MS) return [dryDown(care, hatch.high + 4 * DAY_MS, 'dryNothing')]
    return [
      item({
        ...base(care),
        ...daily,
        key: `hatch:${care.colony.id}`,
        kind: 'hatchCheck',
        everyDays: seen ? 1 : null,
        dueMs: (seen ? momentMs(seen.at) : beganMs) + DAY_MS,
        lateDays: 1,
        minutes: 2,
        why: 'hatchDays',
        whyValues: { from: hatch.low, to: hatch.high },
        basis: CP,
      }),
    ]
  }
  return endsMs === null ? [] : [dryDown(care, endsMs, 'dryOver')]
}

const dryDown = (care: ColonyCare, dueMs: number, why: 'dryOver' | 'dryNothing') =>
  item({
    ...base(care),
    key: `dry:${care.colony.id}`,
    kind: 'dryDown',
    dueMs,
    everyDays: null,
    earlyDays: 3,
    lateDays: 14,
    minutes: 20,
    flexible: true,
    why,
    basis: CP,
  })

/** When a lot has rested long enough to be flooded. */
export const restedMs = (lot: EggLot): number =>
  momentMs(lot.drySince) + (groupOf(lot.groupId).dryEggs?.restWeeks.value ?? 0) * WEEK_MS

/** Eggs of the keeper's own pools that have rested, once. */
export const floodRule = ({ eggLots }: RoomCareInput): DueItem[] =>
  eggLots
    .filter(lot => !lot.ended && lot.origin === 'own')
    .map(lot =>
      item({
        key: `flood:${lot.id}`,
        kind: 'flood',
        dueMs: restedMs(lot),
        everyDays: null,
        earlyDays: 0,
        lateDays: 365,
        minutes: 30,
        flexible: true,
        why: 'restOver',
        whyValues: { name: lot.name, since: momentMs(lot.drySince) },
        basis: M,
        values: { name: lot.name },
      }),
    )
