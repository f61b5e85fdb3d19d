import { describe, expect, it } from 'vitest'
import { preferredC, spreadsOf, stageModel, stageRates, type PopulationEvent } from '#core/population'
import { WEEK_MS } from '#core/records'
import { NOW } from '../../make'
import { ask, counted, heads, ratesOf, resolvedOf, step } from './questions'

const answer = (events: readonly PopulationEvent[], more: Parameters<typeof ask>[1] = {}) =>
  stageModel.fit(ask(events, more), { particles: 800 }).explain()
/** About 110 for a long time. */
const settled = [40, 36, 32, 28, 24, 20, 16, 12, 8, 4].map((w, i) =>
  counted(w, [96, 99, 94, 97, 100, 95, 98, 96, 99, 97][i]!),
)
const full = {
  founders: heads({ females: 50, males: 40, halfGrown: 20 }),
  rates: ratesOf('neocaridina', 110),
}

describe('a count far below what was expected', () => {
  const few = answer([...settled, counted(0, 12)], full)
  it('asks for another one, and says what it would mean', () => {
    expect(few.now.value).toBeGreaterThan(70)
    expect(few.asks).toMatchObject({ seen: 12, since: NOW - 4 * WEEK_MS })
    expect(few.asks!.expected).toBeGreaterThan(80)
    expect(few.asks!.gone).toBeGreaterThan(60)
    expect(few.loss).toBeNull()
  })
  it('that a second one agrees with is a loss, with its size and its time', () => {
    const both = answer([...settled, counted(0.4, 12), counted(0, 13)], full)
    expect(both.now.value).toBeLessThan(30)
    expect(both.asks).toBeNull()
    expect(both.loss!.number).toBeGreaterThan(60)
    expect(both.loss!.left).toBeLessThan(30)
    expect(both.loss!.fromMs).toBe(NOW - 4 * WEEK_MS)
    expect(both.loss!.toMs).toBeLessThanOrEqual(NOW)
    // what was taken out in between is no loss
    const taken = answer([...settled, step(2, -85), counted(0.4, 12), counted(0, 13)], full)
    expect(taken.loss).toBeNull()
  })
  it('that a second one contradicts is settled: nothing asks any more', () => {
    const settledAgain = answer([...settled, counted(0.4, 12), counted(0, 97)], full)
    expect(settledAgain.asks).toBeNull()
    expect(settledAgain.loss).toBeNull()
    expect(settledAgain.counts.at(-2)!.weight).toBe('none')
    expect(settledAgain.counts.at(-1)!.weight).toBe('full')
  })
  it('a loss is told for eight weeks, and not for longer', () => {
    const old = answer([...settled, counted(3.6, 12), counted(3, 13), counted(1, 14)], full)
    expect(old.loss).not.toBeNull()
    const later = answer(
      [...settled.slice(0, 6), counted(18, 12), counted(17, 13), counted(12, 14), counted(4, 16)],
      full,
    )
    expect(later.loss).toBeNull()
  })
})

describe('a count far above what was expected', () => {
  it('asks too', () => {
    const many = answer([...settled, counted(0, 400)], full)
    expect(many.asks!.gone).toBeLessThan(-150)
    // a second one that agrees settles it
    const both = answer([...settled, counted(0.4, 400), counted(0, 390)], full)
    expect(both.asks).toBeNull()
    expect(both.now.low).toBeGreaterThan(350)
  })
  it('a boom that goes on is believed: seen is a floor', () => {
    const fed = resolvedOf('ramshorn-snail', { schools: { feeding: 'heavy' } })
    const heavy = stageRates(fed, { temperatureC: preferredC(fed), capacity: 1500 })
    const boom = answer([counted(6, 14), counted(4, 70), counted(2, 240), counted(0, 700)], {
      startMs: NOW - 8 * WEEK_MS,
      founders: heads({ unsexed: 2 }),
      rates: heavy,
      spreads: spreadsOf(fed, heavy),
    })
    expect(boom.now.value).toBeGreaterThan(600)
    expect(boom.now.low).toBeGreaterThan(450)
    expect(boom.asks).toBeNull()
    expect(boom.counts.map(c => c.weight)).not.toContain('none')
  })
})
