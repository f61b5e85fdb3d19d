import { DAY_MS, momentMs, type ValueKey, valueKeys } from '#core/records'
import type { ValueVerdict } from '#core/water'
import { DYING_TESTS, FIRST_TESTS, M, POISONS, TEST_DAYS, testMinutes } from '../figures'
import type { DueItem, DueReason, GlassCare } from '../item'
import { item, last, startOf } from './tools'

/** What is due for one value, and why so soon. */
interface ValueDue {
  key: ValueKey
  dueMs: number
  everyDays: number
  why: DueReason
  days: number
}

/** Of several reasons the first of these is told. */
const PRESSING: readonly DueReason[] = ['testDying', 'testOff', 'testDrift']
/** Values that come due within so many days are tested in one go. */
const TOGETHER_DAYS = 3

/**
 * Which values to test and when: as seldom as is safe while a value is steady and well read, twice as often while it
 * drifts or while its reading is weak, within days while it is off, at once where more die than usual (from memory).
 * @returns one item for the glass, with the values that are best tested together
 */
export function testRule(g: GlassCare, nowMs: number): DueItem[] {
  const due = valueKeys.flatMap(key => valueDue(key, g, nowMs) ?? []).sort((a, b) => a.dueMs - b.dueMs)
  const first = due[0]
  if (!first) return []
  const together = due.filter(d => d.dueMs <= Math.max(first.dueMs, nowMs) + TOGETHER_DAYS * DAY_MS)
  const pressing = PRESSING.flatMap(why => together.find(d => d.why === why) ?? [])[0] ?? first
  const soon = pressing.why === 'testDying' || pressing.why === 'testOff'
  const lateDays = soon ? 2 : pressing.why === 'testDrift' ? 7 : Math.max(3, first.everyDays / 2)
  return [
    item({
      key: `test:${g.glass.id}`,
      kind: 'test',
      glassId: g.glass.id,
      dueMs: first.dueMs,
      everyDays: first.everyDays,
      earlyDays: first.everyDays / 4,
      lateDays,
      minutes: together.reduce((s, d) => s + testMinutes(d.key), 0.5),
      flexible: !soon,
      why: pressing.why,
      whyValues: { key: pressing.key, days: pressing.days, every: pressing.everyDays },
      basis: M,
      values: { keys: together.map(d => d.key).join(' ') },
    }),
  ]
}

function valueDue(key: ValueKey, g: GlassCare, nowMs: number): ValueDue | null {
  const base = TEST_DAYS[key]
  const verdicts = g.colonies.flatMap(c => c.values.filter(v => v.key === key))
  if (base === undefined || verdicts.length === 0) return null
  const verdict = verdicts.find(v => v.state === 'off') ?? verdicts.find(v => v.state === 'drifting') ?? verdicts[0]!
  const test = last(g.entries, 'waterTest', e => e.readings[key] !== undefined)
  const lastMs = Math.max(
    test ? momentMs(test.at) : -Infinity,
    verdict.window.findLast(r => r.method !== 'reckoned')?.at ?? -Infinity,
    verdict.latest && verdict.latest.method !== 'reckoned' ? verdict.latest.at : -Infinity,
  )
  const dying = g.colonies.filter(c => lastMs < (c.numbers?.dyingSinceMs ?? -Infinity))
  if (dying.length > 0 && DYING_TESTS.includes(key)) {
    // nobody is late for what the last one found has brought to light
    const found = dying.flatMap(c => last(c.entries, 'death') ?? []).map(e => momentMs(e.at))
    const dueMs = Math.max(...dying.map(c => c.numbers!.dyingSinceMs!), ...found)
    return { key, dueMs, everyDays: base, why: 'testDying', days: (nowMs - dueMs) / DAY_MS }
  }
  if (POISONS.includes(key) && !((verdict.latest?.value ?? 0) > 0 && verdict.state !== 'onTarget')) return null
  if (lastMs === -Infinity) {
    // not every keeper owns every kit: the rest is asked for once it was tested
    if (!FIRST_TESTS.includes(key)) return null
    return { key, dueMs: startOf(g) + DAY_MS, everyDays: base, why: 'testNever', days: 0 }
  }
  const { why, factor } = pace(verdict)
  const everyDays = Math.max(factor < 1 ? 2 : 1, Math.round(base * factor))
  return { key, dueMs: lastMs + everyDays * DAY_MS, everyDays, why, days: (nowMs - lastMs) / DAY_MS }
}

/** How much sooner than usual a value is tested, and why. */
function pace(v: ValueVerdict): { why: DueReason; factor: number } {
  if (v.state === 'off') return { why: 'testOff', factor: 0.25 }
  if (v.state === 'drifting') return { why: 'testDrift', factor: 0.5 }
  const width = v.target.preferred[1] - v.target.preferred[0]
  const weak =
    v.latest !== null &&
    (v.latest.method === 'strip' || v.latest.method === 'guess' || (width > 0 && v.latest.sd > width / 2))
  return weak ? { why: 'testDoubt', factor: 0.5 } : { why: 'testAge', factor: 1 }
}
