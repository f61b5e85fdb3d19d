import { type Entry, type EntryOf, momentMs, type ValueKey, type Water } from '#core/records'
import { adjustTo, completeAnalysis } from '../chemistry/analysis'
import { changed } from '../chemistry/blend'
import { amountKeys, molarMass } from '../chemistry/ions'
import { readingSd } from '../methodDoubt'
import { readoutsOf } from '../chemistry/readouts'
import type { ValueReading } from '../valueShapes'

/** Water that went into a glass. `water` is null when nobody knows what was in it. */
export interface WaterEvent {
  entryId: string
  at: number
  kind: 'change' | 'topUp'
  litres: number
  water: Water | null
}

/** What an event did to one value, reckoned. */
export interface Jump {
  at: number
  key: ValueKey
  by: number
}

/** The water of a glass as its log tells it. */
export interface WaterStory {
  /** readings of every value, with those that follow from logged changes among them, oldest first */
  readings: Map<ValueKey, ValueReading[]>
  /** the water today; null before the first test and the first fill */
  present: Water | null
  events: WaterEvent[]
  jumps: Jump[]
}

/** Values that follow by mixing; pH and temperature do not. */
const mixing = [
  'ghDh',
  'khDh',
  'calciumMgL',
  'conductivityUsCm',
  'salinityGKg',
  'nitrateMgL',
] as const satisfies readonly ValueKey[]
export type MixingKey = (typeof mixing)[number]
/** Doubt of what was poured, as a share: jug, scale and analysis together (from memory). */
const POUR_DOUBT = 0.05

/** From so much of the litres on a change is a fill: nothing of the old water is left. */
const WHOLE = 0.999
/** Whether an event is an ordinary change, not a top-up and not a fill. */
export const isPartChange = (e: WaterEvent, netL: number): boolean => e.kind === 'change' && e.litres < WHOLE * netL

/**
 * Reads the water of one glass from its log: every logged change or top-up moves the last values by mixing, so that the
 * strips know of it before the next test. A test puts the reckoning right.
 * @param entries standing entries of the glass, any order
 * @param netL litres of water in it
 * @param untilMs later entries are left out
 */
export function waterStory(entries: readonly Entry[], netL: number, untilMs: number): WaterStory {
  const log = entries
    .filter(
      (e): e is EntryOf<'waterTest' | 'waterChange' | 'topUp'> =>
        (e.kind === 'waterTest' || e.kind === 'waterChange' || e.kind === 'topUp') && momentMs(e.at) <= untilMs,
    )
    .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1))
  const readings: WaterStory['readings'] = new Map()
  const events: WaterEvent[] = []
  const jumps: Jump[] = []
  let present: Water | null = null
  const known = new Map<MixingKey, ValueReading>()
  const push = (key: ValueKey, reading: ValueReading) => {
    const list = readings.get(key)
    if (list) list.push(reading)
    else readings.set(key, [reading])
    if ((mixing as readonly ValueKey[]).includes(key)) known.set(key as MixingKey, reading)
  }

  for (const entry of log) {
    const at = momentMs(entry.at)
    if (entry.kind === 'waterTest') {
      const tested: Partial<Record<MixingKey, number>> = {}
      for (const key of Object.keys(entry.readings) as ValueKey[]) {
        const r = entry.readings[key]
        if (!r) continue
        push(key, { entryId: entry.id, at, value: r.value, sd: readingSd(key, r.method, r.value), method: r.method })
        if ((mixing as readonly ValueKey[]).includes(key)) tested[key as MixingKey] = r.value
      }
      if (Object.keys(tested).length > 0) present = present ? adjustTo(present, tested) : completeAnalysis(tested).water
      continue
    }
    const event: WaterEvent = {
      entryId: entry.id,
      at,
      kind: entry.kind === 'topUp' ? 'topUp' : 'change',
      litres: entry.litres,
      water: entry.water ?? null,
    }
    events.push(event)
    if (!event.water) continue
    const share = Math.min(1, event.litres / netL)
    const first = present === null
    const before: Water | null = present
    // what evaporated left everything behind, so a top-up adds to what is there
    present =
      before === null
        ? { ...event.water }
        : event.kind === 'change'
          ? changed(before, share, event.water)
          : added(before, share, event.water)
    const after = mixingValues(present)
    for (const key of mixing) {
      const last = known.get(key)
      // a first fill makes every value known; otherwise only those that were
      const whole = share >= WHOLE || first
      if (!last && !(whole && (key !== 'salinityGKg' || after[key] > 0.5) && key !== 'nitrateMgL')) continue
      const poured = mixingValues(event.water)[key]
      const by = last ? (event.kind === 'change' ? share * (poured - last.value) : share * poured) : 0
      const value = last ? last.value + by : after[key]
      const sd = Math.hypot(
        (1 - (event.kind === 'change' ? share : 0)) * (last?.sd ?? 0),
        share * (POUR_DOUBT * poured + 0.02 * Math.abs(value)),
      )
      if (last) jumps.push({ at, key, by })
      push(key, { entryId: entry.id, at, value, sd: Math.max(sd, 1e-3), method: 'reckoned' })
    }
  }
  return { readings, present, events, jumps }
}

/** Values of a water that follow by mixing, as tests show them. */
export function mixingValues(w: Water): Record<MixingKey, number> {
  return { ...readoutsOf(w), nitrateMgL: w.no3MmolL * molarMass.NO3 }
}

function added(w: Water, share: number, top: Water): Water {
  const out = { ...w }
  for (const key of amountKeys) out[key] += share * top[key]
  return out
}
