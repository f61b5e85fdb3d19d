import { describe, expect, it } from 'vitest'
import { stageRates } from '#core/population'
import { fitPopulation } from '../../../core/population/fit'
import { preferredC } from '#core/groups'
import { FEMALES, STAGES } from '../../../core/population/stages'
import { NOW } from '../../make'
import { WEEK_MS } from '#core/records'
import { ask, ratesOf, resolvedOf, step } from './questions'
import { meanStep } from './meanStep'

/** Growth per week of a mean colony under a factor on all hazards, once its make-up has settled. */
function settledGrowth(groupId: string, loss: number): number {
  const r = ratesOf(groupId)
  const x = new Float64Array(STAGES).fill(10)
  const weeks = (n: number) => {
    for (let i = 0; i < n / r.dtWeeks; i++) meanStep(x, r, { comeUp: r.comeUp, loss })
    return x[FEMALES]!
  }
  weeks(400)
  x.forEach((n, row) => (x[row] = n / 1e6))
  const before = weeks(0)
  return Math.log(weeks(100) / before) / 100
}

describe('rates', () => {
  it.each(['neocaridina', 'ramshorn', 'crayfish'])('of %s mean the same per week, however long the step', groupId => {
    const resolved = resolvedOf(groupId)
    const by = (stepDays: 1 | 7) =>
      stageRates(
        { ...resolved, group: { ...resolved.group, stages: { ...resolved.group.stages, stepDays } } },
        { temperatureC: preferredC(resolved), capacity: 600 },
      )
    const [week, day] = [by(7), by(1)]
    for (const key of ['firstHazard', 'youngHazard', 'adultHazard'] as const)
      expect(day[key] / day.dtWeeks, key).toBeCloseTo(week[key] / week.dtWeeks, 10)
    expect(week.adultHazard).toBeCloseTo(1 / resolved.group.stages.adultWeeks.value, 6)
  })
  it.each(['neocaridina', 'ramshorn'])('of %s say what losses of every age do to growth', groupId => {
    const r = ratesOf(groupId)
    const simulated = (settledGrowth(groupId, Math.exp(0.05)) - settledGrowth(groupId, Math.exp(-0.05))) / 0.1
    expect(r.growthByLosses / simulated).toBeGreaterThan(0.9)
    expect(r.growthByLosses / simulated).toBeLessThan(1.1)
  })
})

describe('the past of a fit', () => {
  it('leaps at the step at which many were put in, not a step before or after', () => {
    const question = ask([step(20, 300)])
    const { path } = fitPopulation(question, 300)
    const first = path.find(p => p.p50 > 200)!
    const weeksAgo = (NOW - first.at) / WEEK_MS
    expect(Math.abs(weeksAgo - 20)).toBeLessThanOrEqual(question.rates.dtWeeks / 2 + 1e-6)
    // and from there on each point is of its own step
    const gaps = path.slice(1).map((p, i) => (p.at - path[i]!.at) / WEEK_MS)
    for (const gap of gaps) expect(gap).toBeCloseTo(question.rates.dtWeeks, 6)
  })
})
