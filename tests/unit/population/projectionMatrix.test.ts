import { describe, expect, it } from 'vitest'
import { projectionMatrix, summarise } from '../../../core/population/projectionMatrix'
import { RESTING } from '#core/broods'
import { preferredC } from '#core/groups'
import { stageRates } from '../../../core/population/rates'
import * as rows from '../../../core/population/stages'
import { ratesOf, resolvedOf } from './questions'

describe('the matrix', () => {
  const rates = ratesOf('neocaridina')
  it('has births in one column of its own, and the rest apart from them', () => {
    const { u, f } = projectionMatrix(rates, { comeUp: 0.1, loss: 1 }, 0.5)
    // broods are laid all through a step, so that they lie in several rooms at its end
    const births = rows.stageRows.eggs.map(room => f[room]![rows.FEMALES]!)
    expect(births.reduce((a, b) => a + b, 0)).toBeCloseTo(rates.broods * 0.5, 12)
    for (const [room, share] of rates.eggs.start.entries())
      expect(births[room]).toBeCloseTo(rates.broods * 0.5 * share, 12)
    expect(f.flat().filter(x => x !== 0)).toHaveLength(births.filter(b => b > 0).length)
    expect(u[rows.EGGS]![rows.FEMALES]).toBe(0)
    expect(u[rows.FEMALES]![rows.FEMALES]).toBeCloseTo(Math.exp(-rates.adultHazard), 12)
  })
  it('without births there is nothing to settle to: grown ones die out by their hazard', () => {
    for (const dead of [summarise(rates, 0, 1.5), summarise({ ...rates, eggs: RESTING }, 0.3, 1.5)])
      expect(dead).toEqual({
        growthPerWeek: Math.expm1((-rates.adultHazard * 1.5) / rates.dtWeeks),
        ...{ doublingWeeks: null, generationWeeks: null },
        settled: { first: 0, young: 0, females: 1, males: 0 },
        matters: [{ what: 'adults', share: 1 }],
      })
  })
  it('is told in weeks whatever the step, its parts sum to one, the weightiest first', () => {
    const s = summarise(rates, rates.comeUp, 1)
    // the same growth as the characteristic equation has it, with its own share of free females
    expect(Math.log1p(s.growthPerWeek)).toBeCloseTo(rates.growth, 5)
    const { group, ...resolved } = resolvedOf('neocaridina')
    const daily = stageRates(
      { ...resolved, group: { ...group, stages: { ...group.stages, stepDays: 1 } } },
      { temperatureC: preferredC(resolved), capacity: 600 },
    )
    const byDay = summarise(daily, daily.comeUp, 1)
    expect(daily.dtWeeks).toBeCloseTo(1 / 7, 12)
    expect(Math.log1p(byDay.growthPerWeek)).toBeCloseTo(daily.growth, 5)
    expect(byDay.doublingWeeks).toBeCloseTo(Math.LN2 / daily.growth, 3)
    expect(byDay.generationWeeks! / s.generationWeeks!).toBeGreaterThan(0.8)
    expect(byDay.generationWeeks! / s.generationWeeks!).toBeLessThan(1.2)
    expect(summarise(daily, 0, 1).growthPerWeek).toBeCloseTo(summarise(rates, 0, 1).growthPerWeek, 8)
    expect(s.matters.map(m => m.what).toSorted()).toEqual(['adults', 'births', 'eggs', 'first', 'young'])
    expect(s.doublingWeeks).toBeCloseTo(Math.LN2 / Math.log1p(s.growthPerWeek), 6)
    const { first, young, females, males } = s.settled
    expect(first + young + females + males).toBeCloseTo(1, 10)
    expect(females).toBeCloseTo(males, 6)
    expect(s.matters.reduce((sum, m) => sum + m.share, 0)).toBeCloseTo(1, 8)
    expect(s.matters.map(m => m.share)).toEqual(s.matters.map(m => m.share).toSorted((a, b) => b - a))
    // what matters of eggs is that they wait and that they leave; each birth leaves once
    const share = (what: string) => s.matters.find(m => m.what === what)!.share
    expect(share('eggs')).toBeGreaterThan(share('births'))
    // a little faster than holding itself still has a time; what shrinks has none
    expect(summarise(rates, rates.comeUp * Math.exp(rates.holds) * 0.9, 1).doublingWeeks).toBeNull()
    // generation from life table: between the first eggs and the length of a life
    expect(s.generationWeeks!).toBeGreaterThan(10)
    expect(s.generationWeeks!).toBeLessThan(80)
  })
})
