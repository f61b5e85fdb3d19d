import { describe, expect, it } from 'vitest'
import { resolveGroup } from '#core/groups'
import { DAY_MS, type Entry, toMoment } from '#core/records'
import { colonyStatements } from '#core/statements'
import {
  batchFacts,
  batchRowText,
  batchRowUnder,
  batchSteps,
  batchSummary,
  hourText,
  eggsInText,
  lotRowText,
  poolTroubleText,
  shareSpanText,
  spanText,
} from '~/words/batch'
import { entryText } from '~/words/entries'
import { plain } from '~/words/numbers'
import type { Saying } from '~/words/phrase'
import { comparedRearing } from '~/words/rearings'
import { say } from '~/words/say'
import { defaultUnits } from '~/words/unitPrefs'
import { whyNumbers } from '~/words/whyNumbers'
import { inputOf, NOW, smallRoom, test as waterTest } from '../make'
import { about, at, sample, told } from '../unit/batches/parts'
import { heads } from '../unit/population/questions'

const saying: Saying = { units: defaultUnits, nowMs: NOW, animal: ['shrimp', 'shrimp'] }
const HOLE = /undefined|NaN|null|\[object|Infinity/

describe('a hatch in words', () => {
  it('numbers are no more exact than anybody knows, and one where both ends read alike', () => {
    expect(spanText({ low: 8, high: 20 })).toBe('8 to 20')
    expect(spanText({ low: 142, high: 1311 })).toMatch(/^140 to 1.?300$/)
    expect(spanText({ low: 2, high: 2.3 })).toBe('2')
    expect(shareSpanText({ low: 0.03, high: 0.35 })).toMatch(/^3 to 35.%$/)
    expect(shareSpanText({ low: 0.1, high: 0.1 })).toMatch(/^10.%$/)
  })
  it('hours of this week by their day, of others by their date', () => {
    expect(hourText(NOW, NOW)).toMatch(/^\w{3} \d\d:\d\d$/)
    expect(hourText(NOW - 12 * DAY_MS, NOW)).toMatch(/^\d{1,2} \w{3} \d\d:\d\d$/)
  })
  it('facts, summary, steps and rows are whole at every age', () => {
    const all = [0.2, 14, 30, 45].flatMap(days => [
      told([], days),
      told([sample(Math.min(days / 2, 4), [9, 4, 1, 1], 0.5)], days),
      told([about('removal', 0.1, { number: 5, outlet: 'sold' })], days),
      told([], days, { groupId: 'nerite-snail' }),
      told([], days, { groupId: 'pool-branchiopod' }),
      told([about('count', days / 2, { number: 30, method: 'estimate' })], days, { groupId: 'pool-branchiopod' }),
    ])
    for (const b of all)
      for (const text of [
        batchSummary(b, NOW),
        batchRowText(b, NOW),
        batchRowUnder(b),
        ...batchFacts(b, NOW).flatMap(f => [f.name, f.value]),
        ...batchSteps(b, NOW).flatMap(x => [x.when, x.says]),
      ]) {
        expect(text).not.toMatch(HOLE)
        expect(text.length).toBeGreaterThan(0)
      }
  })
  it('what comes next stands beside the row', () => {
    expect(batchRowText(told([sample(1, [1, 25], 0.5)], 14), NOW)).toMatch(/^first settle /)
    expect(batchRowText(told([sample(1, [0, 0, 4, 12], 0.5)], 31), NOW)).toMatch(/ to pick$/)
    const pool = (days: number) => batchRowText(told([], days, { groupId: 'pool-branchiopod' }), NOW)
    expect([pool(0.2), pool(6), pool(14)].map(t => t.split(' ')[0])).toEqual(['hatch', 'grown', 'dry'])
    expect(lotRowText({ restedMs: NOW + DAY_MS, sinceMs: NOW - 30 * DAY_MS }, NOW)).toMatch(/^rests dry until /)
    expect(eggsInText({ low: 412, high: 2538 })).toMatch(/^410 to 2.?500 eggs in it, by those that laid; from memory$/)
    expect(eggsInText({ low: 0, high: 0.4 })).toBe('likely no eggs in it')
    expect(lotRowText({ restedMs: NOW - DAY_MS, sinceMs: NOW - 30 * DAY_MS }, NOW)).toMatch(/may be flooded$/)
  })
  it('what went wrong ends in what the next try changes', () => {
    for (const text of Object.values(poolTroubleText)) expect(text).toMatch(/Next: /)
  })
  it('a sample reads as it was taken', () => {
    const line = (e: Entry) => entryText(e, defaultUnits)
    expect(line(sample(1, [12, 0, 3], 0.5)).title).toBe('Sample of larvae: 12 early, 3 late')
    expect(line(sample(1, [12, 0, 3], 0.5)).detail).toMatch(/^in 0\.5/)
    expect(line(about('larvae', 1, { green: 3 })).title).toBe('Water green')
  })
})

describe('statements of a hatch', () => {
  const room = (form: 'rearing' | 'batch', groupId: string, days: number, log: readonly Entry[] = []) => {
    const s = smallRoom({ colony: { groupId, form, founders: heads({}), startedAt: toMoment(at(days)) } })
    const own = log.map(e => ({ ...e, colonyId: s.colony.id }))
    const water = [waterTest(s.glass.id, 1, { salinityGKg: 31, temperatureC: 22 }, 'probe')]
    return { s, told: colonyStatements(inputOf(s, own, form === 'rearing' ? water : [])).statements }
  }
  const every = [
    room('rearing', 'amphidromous-shrimp', 0.3),
    room('rearing', 'amphidromous-shrimp', 14, [sample(1, [1, 25], 0.5)]),
    room('rearing', 'amphidromous-shrimp', 30, [sample(1, [0, 0, 4, 12])]),
    room('rearing', 'nerite-snail', 70, [about('removal', 30, { number: 90, outlet: 'sold' })]),
    room('batch', 'pool-branchiopod', 0.5),
    room('batch', 'pool-branchiopod', 6, [about('count', 1, { number: 50, method: 'estimate' })]),
    room('batch', 'pool-branchiopod', 12, [about('young', 3, { amount: 'many' })]),
    room(
      'batch',
      'pool-branchiopod',
      12,
      [4, 3, 2].map(d => about('count', d, { number: 0, method: 'estimate' })),
    ),
    room('batch', 'pool-branchiopod', 60),
  ]
  it('and their Why are whole, and name the model that they come from', () => {
    for (const { s, told: t } of every) {
      for (const st of [t.number, t.heading, t.surplus])
        for (const m of [st.conclusion, ...st.reasons, ...st.actions]) expect(plain(say(m, saying))).not.toMatch(HOLE)
      for (const topic of ['number', 'heading', 'surplus'] as const) {
        const why = whyNumbers(topic, t, resolveGroup(s.colony), saying)
        const texts = [
          ...[why.title, why.formula, ...why.method, ...why.reasons, ...why.narrows],
          ...why.inputs.map(i => i.text),
          ...why.figures.flatMap(f => [f.name, f.value, f.basis]),
        ]
        for (const text of texts) expect(text).not.toMatch(HOLE)
        expect(why.formula).toMatch(/population Monte Carlo/)
        expect(why.figures.some(f => /memory/.test(f.basis))).toBe(true)
      }
    }
  })
  it('rearings stand beside each other by what may have made the difference', () => {
    const rows = every.slice(0, 4).map(e => comparedRearing(e.told, defaultUnits, NOW))
    expect(new Set(rows.map(r => r.map(c => c.name).join())).size).toBe(1)
    const cell = (i: number, name: string) => rows[i]!.find(c => c.name === name)!.value
    expect(cell(0, 'Salt')).toBe('31 g/kg')
    expect(cell(3, 'Picked')).toBe('90')
    expect(cell(1, 'Water')).toBe('not noted')
    expect(cell(3, 'First settled')).toMatch(/^after 4\d d$/)
    for (const r of rows) for (const c of r) expect(c.value).not.toMatch(HOLE)
  })
})
