import { doing, plausibility, tooManyDead } from '#core/care'
import { type RoundCounter, roundCounters } from '#core/groups'
import { type Colony, Entry, possibleRange, toMoment, type ValueKey } from '#core/records'
import { limitText, valueName, valueText } from '~/words/unitPrefs'
import { counterKey, type GlassContext, type GlassDraft, type RoundQuestion } from './roundDraft'
import { readValue } from './testReadings'
import { wholeNumber } from './wholeNumber'

/** What comes of reading: lines of the log without stamps, what is kept as words, and what has to be asked. */
interface Gathered {
  raw: object[]
  notes: string[]
  questions: RoundQuestion[]
  /** asks once. @returns whether it was asked before: then what was typed is meant so */
  ask: (key: string, text: string) => boolean
}

/**
 * Reads what was typed at a glass into entries. Slips are asked about once: "pH 71?". Typed again, a surprising value
 * is taken; one that cannot be is kept as a note, so that nothing that was typed is lost and the round goes on.
 * @returns the entries, or the questions that stand in the way
 */
export function readVisit(
  draft: GlassDraft,
  context: GlassContext,
): { ok: true; entries: Entry[] } | { ok: false; questions: RoundQuestion[] } {
  const { glassId, asked, stamp, nowMs } = context
  const questions: RoundQuestion[] = []
  const gathered: Gathered = {
    raw: [],
    notes: [],
    questions,
    ask: (key, text) => {
      if (!asked.has(key)) questions.push({ key, text })
      return asked.has(key)
    },
  }
  for (const colony of context.colonies)
    for (const counter of roundCounters) readCounter(draft, colony, counter, { ...gathered, high: context.high })
  const readings = readReadings(draft, context, gathered)
  if (questions.length > 0) return { ok: false, questions }

  const { raw, notes } = gathered
  if (Object.keys(readings).length > 0) raw.push({ glassId, kind: 'waterTest', readings })
  raw.push(...touched(draft, context))
  const text = [draft.note.trim(), ...notes].filter(Boolean).join(' ')
  if (text) raw.push({ glassId, kind: 'note', text: text.slice(0, 2000) })
  raw.push({ glassId, kind: 'visit', roundId: context.roundId, outcome: 'looked' })
  return { ok: true, entries: raw.map(r => Entry.parse({ ...stamp(), at: toMoment(nowMs), ...r })) }
}

/** Most clutches that one counter writes, a line for each. */
const MOST_CLUTCHES = 20

/** What each counter writes: the number, or the words that young are told in. */
const counterLines: Readonly<
  Record<RoundCounter, (n: number, text: string, draft: GlassDraft, id: string) => object[]>
> = {
  berried: n => [{ kind: 'berried', number: n }],
  eggMass: n => [{ kind: 'eggMass', number: n }],
  clutch: n => Array.from({ length: Math.min(n, MOST_CLUTCHES) }, () => ({ kind: 'clutch', event: 'laid' })),
  molts: n => [{ kind: 'molts', number: n }],
  limbLoss: n => (n > 0 ? [{ kind: 'limbLoss', number: n, limbs: 'one' }] : []),
  dull: n => [{ kind: 'dull', number: n }],
  dead: (n, _, draft, id) => (n > 0 ? [{ kind: 'death', number: n, sign: draft.signs[id] ?? 'unknown' }] : []),
  young: (n, text) => {
    if (text === 'few' || text === 'many') return [{ kind: 'young', amount: text }]
    return n > 0 ? [{ kind: 'young', amount: 'number', number: n }] : []
  },
}

function readCounter(
  draft: GlassDraft,
  colony: Colony,
  counter: RoundCounter,
  { raw, notes, ask, high }: Gathered & Pick<GlassContext, 'high'>,
): void {
  const text = (draft.counters[counterKey(colony.id, counter)] ?? '').trim()
  if (text === '') return
  const n = wholeNumber(text, 0)
  if (!n.ok && !(counter === 'young' && (text === 'few' || text === 'many'))) {
    const sentence = `“${text.slice(0, 20)}” is no number. Enter again keeps it as a note.`
    if (ask(`${counter} ${colony.id} ${text}`, sentence)) notes.push(`${colony.name}, ${counter}: ${text}`)
    return
  }
  const number = n.ok ? n.value : 0
  if (counter === 'dead' || counter === 'berried') {
    const most = high(colony.id)
    const sentence = `${number} ${counter}? At most about ${Math.ceil(most ?? 0)} live here. Enter again keeps it.`
    if (most !== null && tooManyDead(number, most) && !ask(`${counter} ${colony.id} ${number}`, sentence)) return
  }
  raw.push(...counterLines[counter](number, text, draft, colony.id).map(line => ({ colonyId: colony.id, ...line })))
}

function readReadings(
  draft: GlassDraft,
  { verdicts, method, units }: GlassContext,
  { notes, ask }: Gathered,
): Record<string, { value: number; method: string }> {
  const readings: Record<string, { value: number; method: string }> = {}
  for (const [key, typed] of Object.entries(draft.readings) as [ValueKey, string][]) {
    const text = typed?.trim()
    if (!text) continue
    const read = readValue(key, text, units)
    const verdict = verdicts.get(key)
    const how = read.ok ? plausibility(key, read.value, verdict) : 'impossible'
    const [low, high] = possibleRange[key]
    const sentence =
      how === 'impossible'
        ? `${valueName(key)} ${text.slice(0, 12)}? It lies between ${limitText(key, low, units)} and ` +
          `${limitText(key, high, units)}. Enter again keeps it as a note.`
        : `${valueName(key)} ${text}? It was ${valueText(key, verdict?.latest?.value ?? 0, units)}. Enter ` +
          `again keeps it.`
    if (how !== 'fine' && !ask(`${key} ${text}`, sentence)) continue
    if (!read.ok || how === 'impossible') notes.push(`${valueName(key)} typed as ${text}, not kept as a value.`)
    else readings[key] = { value: read.value, method: method(key) }
  }
  return readings
}

/** What was done with a touch: food that was eaten or not, growth that was seen, work that was due. */
function touched({ eaten, grown, done }: GlassDraft, { glassId, items }: GlassContext): object[] {
  const lines: object[] = []
  // what became of the last food is written before the next one, or it would be told of that
  if (eaten) lines.push({ glassId, kind: 'feeding', eaten, ...(eaten === 'leftOver' && { removed: true }) })
  if (grown.length > 0) lines.push({ glassId, kind: 'growth', ...Object.fromEntries(grown.map(g => [g, 'some'])) })
  return [
    ...lines,
    ...done.flatMap(key => {
      const item = items.get(key)
      return (item && doing(item)) ?? []
    }),
  ]
}
