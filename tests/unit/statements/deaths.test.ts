import { describe, expect, it } from 'vitest'
import { drawnStates, needsAttention } from '#core/care'
import { resolveGroup } from '#core/groups'
import type { Entry } from '#core/records'
import { colonyStatements, firstLook, heldBack, offeredToday } from '#core/statements'
import { headingStatement } from '../../../core/statements/headingStatement'
import { sayNeed } from '../../../app/words/say'
import { defaultUnits } from '../../../app/words/unitPrefs'
import { count, death, inputOf, smallRoom, test as waterTest } from '../../make'

const room = smallRoom({ colony: { founders: { females: 50, males: 40, unsexed: 0, halfGrown: 20, young: 0 } } })
const id = room.colony.id
const counts = [220, 160, 100, 50, 20].map((days, i) => count(id, days, [96, 99, 94, 97, 95][i]!))
const sound = { ghDh: 7, khDh: 5, temperatureC: 23, ph: 7.2 }
const tell = (more: Entry[], values: object = sound) =>
  colonyStatements(inputOf(room, [...counts, ...more], [waterTest(room.glass.id, 1, values)])).statements

describe('deaths change what is said', () => {
  it('also in a first look, which calls nobody', () => {
    const rough = firstLook(inputOf(room, [...counts, death(id, 4, 2), death(id, 1, 4)]))
    expect(rough.heading).toMatchObject({ state: 'drifting', conclusion: { key: 'heading.dying' }, actions: [] })
  })
  const calm = tell([death(id, 40, 1), death(id, 9, 1)])
  const dying = tell([death(id, 4, 2), death(id, 1, 4)])
  it('ordinary ones are a reason among others, against what is usual', () => {
    expect(calm.population.deaths.alarm).toBe(false)
    const reason = calm.heading.reasons.find(r => r.key === 'heading.reasonDeaths')!
    expect(reason.values.n).toBe(2)
    expect(reason.values.usual).toBeGreaterThan(0.5)
    expect(offeredToday(calm)).toBeGreaterThan(0)
  })
  it('six in a week are the sentence, with what to do, and nothing is offered', () => {
    expect(dying.heading).toMatchObject({ state: 'off', conclusion: { key: 'heading.dying', values: { found: 6 } } })
    expect(dying.heading.actions[0]!.key).toBe('heading.lookAtDying')
    expect(dying.heading.reasons.some(r => r.key === 'heading.reasonDeaths')).toBe(false)
    // nobody tells of twice as many where they die
    const { group, growthPerWeek, batch } = resolveGroup(room.colony)
    const pace = (alarm: boolean, weeks: object) =>
      headingStatement(
        { ...dying.population, ...weeks, deaths: { ...dying.population.deaths, alarm } },
        { group, growthPerWeek, batch },
      ).reasons.map(r => r.key)
    expect(pace(false, { doublingWeeks: 24 })).toContain('heading.reasonDoubling')
    expect(pace(true, { doublingWeeks: 24 })).not.toContain('heading.reasonDoubling')
    expect(pace(true, { doublingWeeks: null, halvingWeeks: 24 })).toContain('heading.reasonHalving')
    expect([offeredToday(dying), heldBack(dying)!.key]).toEqual([0, 'surplus.reasonDying'])
    expect(drawnStates(dying)).toContain('off')
    // the Room says what to do, not what may be in spring; and it comes before water that is off elsewhere
    expect(needsAttention([dying])[0]).toMatchObject({
      state: 'off',
      title: { key: 'heading.dying' },
      also: null,
      reason: null,
      action: { key: 'heading.lookAtDying' },
    })
    const hard = { ...tell([], { ...sound, ghDh: 30 }), colonyId: 'other' }
    expect(needsAttention([hard, dying]).map(n => n.title.key)).toEqual(['heading.dying', 'water.above'])
  })
  it('those of molts are told as failed molts, and lead to minerals first; the alarm of deaths leaves them out', () => {
    const molts = tell([death(id, 4, 2, 'failedMolt'), death(id, 1, 4, 'failedMolt')])
    expect(molts.heading).toMatchObject({ state: 'off', conclusion: { key: 'molts.tooMany', values: { failed: 6 } } })
    expect(molts.heading.actions[0]!.key).toBe('heading.lookAtMolts')
    expect(molts.heading.reasons.some(r => r.key === 'heading.reasonDoubling')).toBe(false)
    expect(molts.population.deaths).toMatchObject({ alarm: false, molts: 0 })
    expect([offeredToday(molts), heldBack(molts)!.key]).toEqual([0, 'surplus.reasonMolts'])
    expect(needsAttention([molts])[0]).toMatchObject({ title: { key: 'molts.tooMany' }, reason: null })
    // what dies of something else beside them is the more urgent
    const both = tell([death(id, 4, 4), death(id, 3, 4), death(id, 1, 3, 'failedMolt')])
    expect(both.heading.conclusion.key).toBe('heading.dying')
  })
  it('in a colony too small to tell molts from chance the alarm of deaths takes them', () => {
    const few = smallRoom({ colony: { founders: { females: 6, males: 4, unsexed: 0, halfGrown: 2, young: 0 } } })
    const seen = [200, 100, 20].map(days => count(few.colony.id, days, 11))
    const died = [death(few.colony.id, 4, 2, 'failedMolt'), death(few.colony.id, 1, 2, 'failedMolt')]
    const told = colonyStatements(inputOf(few, [...seen, ...died], [])).statements
    expect(told.heading.conclusion.key).toBe('heading.dyingInMolt')
    expect(told.heading.actions[0]!.key).toBe('heading.lookAtMolts')
  })
  it('one of the two alarms takes those of molts, whatever the size of the colony', () => {
    for (const females of [5, 7, 8, 9, 10, 12]) {
      const few = smallRoom({ colony: { founders: { females, males: 5, unsexed: 0, halfGrown: 0, young: 0 } } })
      const seen = [200, 100, 20].map(days => count(few.colony.id, days, females + 5))
      const died = [4, 3, 2, 1].map(days => death(few.colony.id, days, 1, 'failedMolt'))
      const { heading, population, molts } = colonyStatements(inputOf(few, [...seen, ...died], [])).statements
      expect(heading.state, `${females} females`).toBe('off')
      expect(['molts.tooMany', 'heading.dyingInMolt']).toContain(heading.conclusion.key)
      // what is left out here is watched there
      expect(population.deaths.molts).toBe(molts!.watch.tooFew ? 4 : 0)
    }
  })
  it('and a wrong water are one sentence, water first', () => {
    const both = tell([death(id, 4, 2), death(id, 1, 4)], { ...sound, ghDh: 1 })
    const [need] = needsAttention([both])
    expect(need).toMatchObject({ title: { key: 'water.below' }, also: { key: 'heading.dying' } })
    const said = sayNeed(need!, { units: defaultUnits, nowMs: inputOf(room).nowMs, animal: ['shrimp', 'shrimp'] })
    expect(said).toMatch(/^GH at .* below .*; ⟦6⟧ found dead since /)
  })
})
