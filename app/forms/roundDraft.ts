import { doing, type DueItem, plausibility, tooManyDead } from '#core/care'
import type { RoundCounter } from '#core/groups'
import { type Colony, type Eaten, Entry, possibleRange, toMoment, type ValueKey } from '#core/records'
import type { ValueVerdict } from '#core/water'
import { limitText, type UnitPrefs, valueName, valueText } from '~/words/unitPrefs'
import type { Stamp } from './readDraft'
import { readValue } from './testReadings'
import { wholeNumber } from './wholeNumber'

/** What was touched and typed at one glass of the round, as it stands on screen. */
export interface GlassDraft {
  /** by colony and counter: digits, or "few" and "many" for young; empty is not looked */
  counters: Record<string, string>
  /** sign of death, by colony */
  signs: Record<string, string>
  readings: Partial<Record<ValueKey, string>>
  eaten: Eaten | ''
  /** growth that was seen in a glass that is being cured */
  grown: ('biofilm' | 'algae')[]
  /** keys of due items that were done with a touch */
  done: string[]
  note: string
}

export const emptyGlassDraft = (): GlassDraft => ({
  counters: {},
  signs: {},
  readings: {},
  eaten: '',
  grown: [],
  done: [],
  note: '',
})
export const counterKey = (colonyId: string, counter: RoundCounter): string => `${colonyId}:${counter}`
export const isEmptyDraft = (d: GlassDraft): boolean => JSON.stringify(d) === JSON.stringify(emptyGlassDraft())

/** What the reading of a glass follows from beside the draft. */
export interface GlassContext {
  glassId: string
  colonies: readonly Colony[]
  roundId: string
  /** due items that can be done with a touch, by key */
  items: ReadonlyMap<string, DueItem>
  verdicts: ReadonlyMap<ValueKey, ValueVerdict>
  /** usual method of each value */
  method: (key: ValueKey) => string
  /** upper end of the likely range, by colony */
  high: (colonyId: string) => number | null
  units: UnitPrefs
  nowMs: number
  stamp: () => Stamp
  /** questions that were answered with Enter a second time, by their key */
  asked: ReadonlySet<string>
}

export interface RoundQuestion {
  key: string
  text: string
}

/** Adds one to a counter: young go from a few to many before they are counted. */
export function counterUp(counter: RoundCounter, text: string): string {
  if (counter === 'young' && text === '') return 'few'
  if (counter === 'young' && text === 'few') return 'many'
  const n = wholeNumber(text || '0', 0)
  return n.ok ? String(n.value + 1) : text === 'many' ? 'many' : '1'
}

/** Takes one from a counter; under none it is not looked. */
export function counterDown(text: string): string {
  const n = wholeNumber(text, 0)
  return n.ok && n.value > 0 ? String(n.value - 1) : text === 'many' ? 'few' : ''
}

/**
 * Reads what was typed at a glass into entries. Slips are asked about once: "pH 71?". Typed again, a surprising value
 * is
 * taken; one that cannot be is kept as a note, so that nothing that was typed is lost and the round goes on.
 * @returns the entries, or the questions that stand in the way
 */
export function readGlass(
  draft: GlassDraft,
  context: GlassContext,
): { ok: true; entries: Entry[] } | { ok: false; questions: RoundQuestion[] } {
  const { glassId, colonies, units, asked, stamp, nowMs } = context
  const questions: RoundQuestion[] = []
  const raw: object[] = []
  const notes: string[] = []
  const ask = (key: string, text: string) => {
    if (!asked.has(key)) questions.push({ key, text })
    return asked.has(key)
  }
  const ofColony = (colony: Colony, counter: RoundCounter, read: (n: number, text: string) => object[]) => {
    const text = (draft.counters[counterKey(colony.id, counter)] ?? '').trim()
    if (text === '') return
    const n = wholeNumber(text, 0)
    if (!n.ok && !(counter === 'young' && (text === 'few' || text === 'many'))) {
      if (
        ask(`${counter} ${colony.id} ${text}`, `“${text.slice(0, 20)}” is no number. Enter again keeps it as a note.`)
      )
        notes.push(`${colony.name}, ${counter}: ${text}`)
      return
    }
    raw.push(...read(n.ok ? n.value : 0, text).map(e => ({ colonyId: colony.id, ...e })))
  }
  for (const colony of colonies) {
    ofColony(colony, 'berried', n => [{ kind: 'berried', number: n }])
    ofColony(colony, 'eggMass', n => [{ kind: 'eggMass', number: n }])
    ofColony(colony, 'clutch', n => Array.from({ length: Math.min(n, 20) }, () => ({ kind: 'clutch', event: 'laid' })))
    ofColony(colony, 'molts', n => [{ kind: 'molts', number: n }])
    ofColony(colony, 'limbLoss', n => (n > 0 ? [{ kind: 'limbLoss', number: n, limbs: 'one' }] : []))
    ofColony(colony, 'dead', n => {
      const high = context.high(colony.id)
      if (
        high !== null &&
        tooManyDead(n, high) &&
        !ask(`dead ${colony.id} ${n}`, `${n} dead? At most about ${Math.ceil(high)} live here. Enter again keeps it.`)
      )
        return []
      return n > 0 ? [{ kind: 'death', number: n, sign: draft.signs[colony.id] ?? 'unknown' }] : []
    })
    ofColony(colony, 'young', (n, text) =>
      text === 'few' || text === 'many'
        ? [{ kind: 'young', amount: text }]
        : n > 0
          ? [{ kind: 'young', amount: 'number', number: n }]
          : [],
    )
  }

  const readings: Record<string, { value: number; method: string }> = {}
  for (const [key, text] of Object.entries(draft.readings) as [ValueKey, string][]) {
    if (!text?.trim()) continue
    const read = readValue(key, text, units)
    const value = read.ok ? read.value : null
    const verdict = context.verdicts.get(key)
    const how = value === null ? 'impossible' : plausibility(key, value, verdict)
    const [low, high] = possibleRange[key]
    const sentence =
      how === 'impossible'
        ? `${valueName(key)} ${text.trim().slice(0, 12)}? It lies between ${limitText(key, low, units)} and ` +
          `${limitText(key, high, units)}. Enter again keeps it as a note.`
        : `${valueName(key)} ${text.trim()}? It was ${valueText(key, verdict?.latest?.value ?? 0, units)}. Enter ` +
          `again keeps it.`
    if (how !== 'fine' && !ask(`${key} ${text.trim()}`, sentence)) continue
    if (how === 'impossible') notes.push(`${valueName(key)} typed as ${text.trim()}, not kept as a value.`)
    else readings[key] = { value: value!, method: context.method(key) }
  }
  if (questions.length > 0) return { ok: false, questions }

  if (Object.keys(readings).length > 0) raw.push({ glassId, kind: 'waterTest', readings })
  // what became of the last food is written before the next one, or it would be told of that
  if (draft.eaten)
    raw.push({ glassId, kind: 'feeding', eaten: draft.eaten, ...(draft.eaten === 'leftOver' && { removed: true }) })
  if (draft.grown.length > 0)
    raw.push({ glassId, kind: 'growth', ...Object.fromEntries(draft.grown.map(g => [g, 'some'])) })
  for (const key of draft.done) {
    const item = context.items.get(key)
    const done = item && doing(item)
    if (done) raw.push(done)
  }
  const text = [draft.note.trim(), ...notes].filter(Boolean).join(' ')
  if (text) raw.push({ glassId, kind: 'note', text: text.slice(0, 2000) })
  raw.push({ glassId, kind: 'visit', roundId: context.roundId, outcome: 'looked' })
  return { ok: true, entries: raw.map(r => Entry.parse({ ...stamp(), at: toMoment(nowMs), ...r })) }
}
