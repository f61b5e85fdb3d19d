import { describe, expect, it } from 'vitest'
import { planSteps, setUpAdvice } from '#core/care'
import { compatibility, groups, resolveGroup } from '#core/groups'
import { DAY_MS, madeMs, type Plan, type PlanStepId, planStepIds, toMoment } from '#core/records'
import { judgeCuring } from '#core/water'
import { newPlan } from '~/forms/planDraft'
import { companyText } from '~/words/company'
import { curingText } from '~/words/curing'
import { plain } from '~/words/numbers'
import { checkText, planStepText, startersText } from '~/words/plan'
import { NOW, plan as planOf } from '../make'
import { units, roomId } from './waterWordsParts'

describe('plans in words', () => {
  it('have a sentence for every check of every group, good or not', () => {
    for (const g of groups)
      for (const bare of [true, false]) {
        const plan = planOf(roomId, {
          groupIds: [g.id],
          ...(bare && {
            starters: [0],
            tank: {
              kind: 'tank',
              grossL: 2,
              fillShare: 0.3,
              carbonateGL: 30,
              filterRatedL: bare ? 0 : 20,
              cover: false,
              intakeGuard: false,
              lightHours: 2,
              leaves: 0,
            },
          }),
        })
        for (const c of setUpAdvice(plan).checks)
          expect(plain(checkText(c, units)), `${g.id} ${c.key}`).toMatch(/^[^⟦]{7,}[.]$/)
      }
  })
  it('have a sentence for every step', () => {
    const usual = planOf(roomId, { tank: { ...planOf(roomId).tank, carbonateGL: 18 } })
    const steps = planSteps({ ...usual, schools: { temperature: 'warm' } })
    const texts = steps.map(s => planStepText(s, units))
    expect(texts).toHaveLength(planStepIds.length)
    for (const t of texts) expect(t).not.toMatch(/NaN|undefined/)
    // settled in what is right for breeding already: nobody warms anything
    expect(planSteps(usual).map(s => s.id)).toEqual(planStepIds.filter(id => id !== 'warm'))
    // nothing lies before there was a plan
    const made = madeMs(usual.id)
    const now = planSteps({ ...usual, startsAt: toMoment(made + 1000) })
    expect(Math.min(...now.map(s => s.dueMs))).toBeGreaterThanOrEqual(made)
  })
  it('say of each glass what it wants: soil is not rinsed, no heater and no filter where none is wanted', () => {
    const text = (id: PlanStepId, groupId: string, tank: Partial<Plan['tank']> = {}) => {
      const plan = newPlan(groupId, roomId, 0)
      const step = planSteps({ ...plan, tank: { ...plan.tank, ...tank } }).find(s => s.id === id)!
      return planStepText(step, units)
    }
    expect(text('substrate', 'bee-shrimp')).toMatch(/^Put in the active soil.*as it comes/)
    expect(text('substrate', 'neocaridina')).toMatch(/^Rinse/)
    expect(text('equipment', 'water-isopod')).toContain('They want no heater.')
    expect(text('equipment', 'neocaridina')).toMatch(/^Hang filter, heater and light;/)
    expect(text('equipment', 'brackish-pool-shrimp', { filterRatedL: 0 })).toContain('They want no filter')
  })
  it('compare starters', () => {
    const weeks = { p10: 20, p50: 39, p90: Infinity, reachedShare: 0.85 }
    expect(plain(startersText({ starters: 15, number: 100, weeks, other: { starters: 5, p50: 60 } }))).toBe(
      '15 starters reach the first 100 in about 39 weeks (likely 20 to many more). 15 instead of 5 brings it 21 ' +
        'weeks sooner.',
    )
    expect(
      plain(startersText({ starters: 5, number: 100, weeks: { ...weeks, p50: 60 }, other: { starters: 20, p50: 39 } })),
    ).toContain('20 instead of 5 would bring it 21 weeks sooner')
    expect(
      plain(
        startersText({ starters: 2, number: 100, weeks: { ...weeks, p50: Infinity, reachedShare: 0.3 }, other: null }),
      ),
    ).toContain('in 30 % of futures')
    expect(plain(startersText({ starters: 5, number: 100, weeks, other: { starters: 6, p50: 39 } }))).not.toContain(
      'instead',
    )
  })
  it('say what stands between any two groups', () => {
    for (const a of groups)
      for (const b of groups) {
        for (const i of compatibility(
          resolveGroup({ groupId: a.id, schools: {}, targets: {}, life: {} }),
          resolveGroup({ groupId: b.id, schools: {}, targets: {}, life: {} }),
        ).issues)
          expect(companyText(i)).not.toMatch(/undefined|NaN/)
      }
  })
  it('say how far curing is', () => {
    const judged = judgeCuring({
      startedMs: NOW - 10 * DAY_MS,
      nowMs: NOW,
      ammonia: [],
      nitrite: [],
      nitrate: [],
      ph: null,
      temperatureC: null,
      salinityGKg: 0,
      seen: { biofilm: false, algae: false },
      weeks: [4, 8],
      grazes: true,
    })
    const text = curingText(judged, NOW)
    expect(text.title).toBe('Curing has not begun, week 2.')
    expect(text.reason).toBe('Ammonia and nitrite were not tested yet.')
    expect(text.next).toContain('Next test today')
    expect(curingText({ ...judged, stage: 'ready', reasons: ['bothGoneTwice'] }, NOW).next).toContain('Test once more')
  })
})
