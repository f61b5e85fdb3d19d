import { format, isSameDay } from 'date-fns'
import { carriesEggs } from '#core/groups'
import {
  type Colony,
  Entry,
  type Heads,
  headsTotal,
  type Source,
  stayAt,
  toMoment,
  type ValueKey,
  type Water,
} from '#core/records'
import { kindWord } from '~/words/states'
import { type UnitPrefs, valueName } from '~/words/unitPrefs'
import { canCarry, readBerried, rungsKept } from './carriedEggs'
import { readHeads } from './colonyDraft'
import { animalKinds, glassKinds, isFieldKind } from './kindFields'
import { defaultChoice, type Draft, type DraftIssues, FIELD_TIME, type LogKind } from './logDraft'
import { AS_LOGGED, readFields } from './readFields'
import { HALF_TYPED } from './halfTyped'
import { numberIn } from './readNumber'
import { readReadings } from './testReadings'
import { wholeNumber } from './wholeNumber'

/** What a new entry gets beside what was typed. */
export interface Stamp {
  id: string
  loggedAt: string
  keeper?: string
}
/** What a draft is read against. */
export interface DraftContext {
  colony: Colony | undefined
  /** id and time of writing for the new entry */
  stamp: Stamp
  units: UnitPrefs
  nowMs: number
  /** the glass whose water the colony lived in at a moment; its own glass when missing */
  waterIdAt?: (atMs: number) => string
  /** the waters at hand, as far as they are known */
  sources?: readonly SourceAtHand[]
}
/** A water that can be poured. */
interface SourceAtHand {
  source: Pick<Source, 'id' | 'name'>
  water: Water
}

type Base = Record<string, unknown>
/** What a kind makes of its fields: the rest of the entry and what to say. What is not right stands in the issues. */
interface Made {
  raw: Base
  words: string
}

/**
 * Reads the log sheet. Keys of the issues are `number`, `share`, `parts`, `berried`, `at`, `text`, `colonyId`,
 * `readings` or `readings.<value>`.
 * @returns the entry with what to say when it is saved, or a sentence for every field that is not right
 */
export function readDraft(
  draft: Draft,
  { colony, stamp, units, nowMs, waterIdAt, sources = [] }: DraftContext,
): { ok: true; entry: Entry; words: string } | { ok: false; issues: DraftIssues } {
  if (!colony) return { ok: false, issues: { colonyId: 'Choose the colony.' } }
  if (draft.kind === 'photo') return { ok: false, issues: { photo: 'Take or choose a photo.' } }
  const issues: DraftIssues = {}
  const happenedMs = readMoment(draft, colony, nowMs, issues)
  const text = draft.text.trim()
  const ofGlass = glassKinds.has(draft.kind)
  const named = animalKinds.has(draft.kind) ? draft.animalIds : []
  const made = readKind({ ...draft, kind: draft.kind }, units, issues)
  const split = readSplit(draft, { groupId: colony.groupId, number: Number(made.raw.number) }, issues)
  if (Object.keys(issues).length > 0) return { ok: false, issues }
  const parsed = Entry.safeParse({
    ...stamp,
    at: toMoment(happenedMs),
    ...(draft.correcting && { supersedes: draft.correcting.id }),
    ...(text && { text: text.slice(0, 2000) }),
    ...(named.length > 0 && { animalIds: named }),
    kind: draft.kind,
    ...(ofGlass
      ? { glassId: waterIdAt?.(happenedMs) ?? stayAt(colony.stays, happenedMs).glassId }
      : { colonyId: colony.id }),
    ...split,
    ...withWater(made.raw, draft, sources),
  })
  if (parsed.success) return { ok: true, entry: parsed.data, words: `${colony.name}: ${made.words}` }
  const wrong = parsed.error.issues[0]!
  const about = String(wrong.path[0] ?? 'text')
  const field = isFieldKind(draft.kind) || about === 'berried' ? about : 'text'
  return { ok: false, issues: { [field]: `${wrong.message.replace(/^./, c => c.toUpperCase())}.` } }
}

/** What goes with animals that come or go: eggs, and on a correction the rungs on which they stood. */
function readSplit(
  { kind, values, correcting }: Draft,
  { groupId, number }: { groupId: string; number: number },
  issues: DraftIssues,
): Base {
  if (!canCarry(kind)) return {}
  // what was typed for another colony stays in the draft, and means nothing of one that lays
  const carried = readBerried(carriesEggs(groupId) ? (values.berried ?? '') : '')
  if (!carried.ok) issues.berried = carried.issue
  return { ...rungsKept(correcting?.kind === kind ? correcting : null, number), ...(carried.ok && carried.told) }
}

/** What was poured, by the water that was chosen; a correction keeps what was written down. */
function withWater({ source, ...raw }: Base, { correcting }: Draft, sources: readonly SourceAtHand[]): Base {
  if (source === AS_LOGGED && correcting && 'water' in correcting) {
    const { water, poured, weighed } = correcting
    return { ...raw, water, ...(poured && { poured }), ...(weighed && { weighed }) }
  }
  const used = sources.find(s => s.source.id === source)
  if (!used) return raw
  return {
    ...raw,
    water: used.water,
    poured: [{ sourceId: used.source.id, name: used.source.name, litres: raw.litres }],
  }
}

/**
 * When it happened: now when the field is empty; a correction that leaves the field alone keeps the seconds of the old
 * entry.
 */
function momentOf(draft: Draft, nowMs: number): number {
  if (draft.at === '') return nowMs
  const old = draft.correcting && new Date(draft.correcting.at)
  return old && format(old, FIELD_TIME) === draft.at ? old.getTime() : new Date(draft.at).getTime()
}

/** The moment of the entry, within what can be; what cannot be stands in the issues. */
function readMoment(draft: Draft, colony: Colony, nowMs: number, issues: DraftIssues): number {
  const atMs = momentOf(draft, nowMs)
  const startMs = new Date(colony.startedAt).getTime()
  // water may be older than the colony in it; numbers may not
  const ofGlass = glassKinds.has(draft.kind)
  if (draft.at === HALF_TYPED) issues.at = 'Only a part of the date was typed: type all of it, or none for now.'
  else if (Number.isNaN(atMs)) issues.at = 'That is no date and time.'
  // a minute of grace: the field has no seconds
  else if (atMs > nowMs + 60_000) issues.at = 'That lies in the future.'
  else if (!ofGlass && atMs < startMs && !isSameDay(atMs, startMs))
    issues.at =
      `${colony.name} began on ${format(startMs, 'd MMM yyyy')}; this lies before it. Change the day it ` +
      `began, or this one.`
  return Math.min(nowMs, ofGlass ? atMs : Math.max(atMs, startMs))
}

function readKind(draft: Draft & { kind: Exclude<LogKind, 'photo'> }, units: UnitPrefs, issues: DraftIssues): Made {
  if (draft.kind === 'note') {
    if (draft.text.trim() === '') issues.text = 'The note is empty.'
    return { raw: {}, words: 'note kept.' }
  }
  if (draft.kind === 'waterTest') {
    const readings = readReadings(draft, units, issues)
    const names = Object.keys(readings).map(k => valueName(k as ValueKey))
    return { raw: { readings }, words: `${names.join(', ')} kept.` }
  }
  if (isFieldKind(draft.kind)) {
    const { raw, issues: wrong } = readFields(draft.kind, draft.values, units)
    Object.assign(issues, wrong)
    return { raw, words: `${kindWord[draft.kind].toLowerCase()} logged.` }
  }
  return readNumbers(draft as Draft & { kind: NumberKind }, issues)
}

type NumberKind = 'count' | 'addition' | 'removal' | 'death'

/** Kinds of which a number is the heart. */
function readNumbers(draft: Draft & { kind: NumberKind }, issues: DraftIssues): Made {
  const number = wholeNumber(draft.number, draft.kind === 'count' ? 0 : 1)
  if (!number.ok) issues.number = number.issue
  const n = number.ok ? number.value : 0
  const parts = readParts(draft, number.ok ? n : Infinity, issues)
  const choice = draft.choice || defaultChoice[draft.kind] || ''
  switch (draft.kind) {
    case 'count':
      return readCount(draft, { number: n, method: choice, ...parts }, issues)
    case 'addition':
      return { raw: { number: n, origin: choice, ...parts }, words: `${n} put in.` }
    case 'removal': {
      // price and order came from the Surplus; the sheet has no fields for them
      const old = draft.correcting?.kind === 'removal' ? draft.correcting : null
      const kept = {
        ...(old?.price !== undefined && { price: old.price }),
        ...(old?.orderId && { orderId: old.orderId }),
      }
      return { raw: { number: n, outlet: choice, ...parts, ...kept }, words: `${n} taken out.` }
    }
    case 'death':
      return { raw: { number: n, sign: choice }, words: `${n} died.` }
  }
}

/** What was told apart; it cannot be more than there are. */
function readParts(draft: Draft, most: number, issues: DraftIssues): { parts?: Heads } {
  const heads = readHeads(draft.parts)
  if (!heads.ok) {
    issues.parts = heads.issue
    return {}
  }
  const total = headsTotal(heads.heads)
  if (total > most) issues.parts = `The parts add up to ${total}, more than ${most}.`
  return total > 0 ? { parts: heads.heads } : {}
}

/** A count, of all or of a part of the tank. */
function readCount(draft: Draft, count: { number: number; method: string }, issues: DraftIssues): Made {
  if (count.method !== 'partOfTank') return { raw: count, words: `count of ${count.number} saved.` }
  const pct = numberIn(draft.sharePct.replace('%', ''))
  if (pct === null || !(pct > 0 && pct <= 100)) issues.share = 'Which part of the tank? Above 0 and at most 100 %.'
  return { raw: { ...count, share: (pct ?? 0) / 100 }, words: `count of ${count.number} in ${pct} % saved.` }
}
