import { type Entry, type EntryOf, momentMs, type ValueKey, type Water } from '#core/records'
import { adjustTo, completeAnalysis } from '../chemistry/analysis'
import { changed } from '../chemistry/blend'
import { amountKeys, molarMass } from '../chemistry/ions'
import { readingSd } from '../methodDoubt'
import { readoutsOf } from '../chemistry/readouts'
import type { ValueReading } from '../valueShapes'
import type { WaterEvent } from './waterEvent'

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
  const story: WaterStory = { readings: new Map(), present: null, events: [], jumps: [] }
  for (const entry of log) {
    if (entry.kind === 'waterTest') tell(story, entry)
    else pour(story, entry, netL)
  }
  return story
}

const isMixing = (key: ValueKey): key is MixingKey => (mixing as readonly ValueKey[]).includes(key)

function push({ readings }: WaterStory, key: ValueKey, reading: ValueReading): void {
  const list = readings.get(key)
  if (list) list.push(reading)
  else readings.set(key, [reading])
}

/** Takes a test in: what it read is known, and the water is put right by it. */
function tell(story: WaterStory, entry: EntryOf<'waterTest'>): void {
  const at = momentMs(entry.at)
  const tested: Partial<Record<MixingKey, number>> = {}
  for (const key of Object.keys(entry.readings) as ValueKey[]) {
    const read = entry.readings[key]
    if (!read) continue
    const { value, method } = read
    push(story, key, { entryId: entry.id, at, value, sd: readingSd(key, method, value), method })
    if (isMixing(key)) tested[key] = value
  }
  if (Object.keys(tested).length > 0)
    story.present = story.present ? adjustTo(story.present, tested) : completeAnalysis(tested).water
}

/** Takes a change or a top-up in: where it is known what was poured, every value that is known moves by mixing. */
function pour(story: WaterStory, entry: EntryOf<'waterChange' | 'topUp'>, netL: number): void {
  const at = momentMs(entry.at)
  const kind = entry.kind === 'topUp' ? 'topUp' : 'change'
  const water = entry.water ?? null
  story.events.push({ entryId: entry.id, at, kind, litres: entry.litres, water })
  if (!water) return
  const share = Math.min(1, entry.litres / netL)
  const before = story.present
  // what evaporated left everything behind, so a top-up adds to what is there
  const present =
    before === null ? { ...water } : kind === 'change' ? changed(before, share, water) : added(before, share, water)
  story.present = present
  const [after, poured] = [mixingValues(present), mixingValues(water)]
  // a first fill makes every value known; otherwise only those that were
  const whole = share >= WHOLE || before === null
  for (const key of mixing) {
    const last = story.readings.get(key)?.at(-1)
    if (!last && !(whole && (key !== 'salinityGKg' || after[key] > 0.5) && key !== 'nitrateMgL')) continue
    const keep = kind === 'change' ? 1 - share : 1
    const add = share * poured[key]
    const value = last ? keep * last.value + add : after[key]
    const pourSd = share * (POUR_DOUBT * poured[key] + 0.02 * Math.abs(value))
    const sd = Math.max(Math.hypot(keep * (last?.sd ?? 0), pourSd), 1e-3)
    const reckoned = { entryId: entry.id, at, value, sd, method: 'reckoned' as const }
    if (last) story.jumps.push({ at, key, by: value - last.value })
    push(story, key, last ? { ...reckoned, poured: { keep, add, sd: pourSd } } : reckoned)
  }
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
