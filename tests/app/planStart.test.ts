import { describe, expect, it } from 'vitest'
import { ghOf, khOf } from '#core/water'
import { newPlan } from '~/forms/planDraft'
import { emptyPlanStart, type PlanStart, readStart } from '~/forms/planStart'
import { bestText, boughtText, fitText, glanceText, notQuite } from '~/words/planFit'
import { howTheyFit } from '#core/care'
import { groupOf, groups } from '#core/groups'
import { nextId, NOW } from '../make'
import { units } from './waterWordsParts'

const american = { ...units, volume: 'usGal', temperature: 'f', hardness: 'mgLCaCO3' }
const start = (more: Partial<PlanStart> = {}): PlanStart => ({ ...emptyPlanStart(), ...more })
const values = (ghDh: string, khDh: string, ph = '') => ({ ghDh, khDh, ph })

describe('what somebody has', () => {
  it('needs litres alone to begin with', () => {
    expect(readStart(start(), units)).toMatchObject({ home: null, tap: null, issues: {} })
    expect(readStart(start({ litres: '30' }), units).home).toMatchObject({
      tankL: 30,
      tap: null,
      roomC: null,
      wish: null,
    })
    const edges = { sizeBy: 'edges' as const, lengthCm: '40', widthCm: '30', heightCm: '25' }
    expect(readStart(start(edges), units).home).toMatchObject({ tankL: 30, inside: { lengthCm: 40, heightCm: 25 } })
    expect(readStart(start({ ...edges, heightCm: '' }), units)).toMatchObject({ home: null, issues: {} })
  })
  it('takes a tap only with GH and KH both, and none that nobody knows', () => {
    const read = (more: Partial<PlanStart>) => readStart(start({ litres: '30', ...more }), units)
    expect(read({ values: values('7', '') }).tap).toBeNull()
    expect(read({ values: values('7', '5'), tapKnown: false }).tap).toBeNull()
    const { tap, home } = read({ values: values('7', '5', '7.4') })
    expect(tap!.values).toMatchObject({ ghDh: 7, khDh: 5, ph: 7.4 })
    expect([ghOf(tap!.water), khOf(tap!.water)].map(v => Number(v.toFixed(6)))).toEqual([7, 5])
    expect(home!.tap).toEqual(tap!.water)
  })
  it('names at its field what cannot be, and reads the rest', () => {
    const { issues, home } = readStart(
      start({ litres: '30', values: values('700', 'x', '71'), winter: '90', summer: '25' }),
      units,
    )
    expect(Object.keys(issues).toSorted()).toEqual(['ghDh', 'khDh', 'ph', 'winter'])
    expect(home).toMatchObject({ tankL: 30, tap: null, roomC: null })
    expect(readStart(start({ litres: 'lots' }), units).issues.litres).toContain('is no volume')
    const flat = start({ sizeBy: 'edges', lengthCm: '40', widthCm: '0', heightCm: '25' })
    expect(readStart(flat, units)).toMatchObject({ home: null, issues: { edges: expect.stringContaining('1 to 500') } })
  })
  it('reads the keeper’s units, and the colder number as winter', () => {
    const { home } = readStart(
      start({ litres: '10', values: values('125', '89'), winter: '77', summer: '68' }),
      american,
    )
    expect(home!.tankL).toBeCloseTo(37.854, 2)
    expect(ghOf(home!.tap!)).toBeCloseTo(7, 1)
    expect(home!.roomC!.winter).toBeCloseTo(20, 6)
    expect(home!.roomC!.summer).toBeCloseTo(25, 6)
  })
  it('goes on in the plan: size, water, room', () => {
    const inside = { lengthCm: 40, widthCm: 30, heightCm: 25 }
    const roomC = { winter: 23, summer: 26 }
    const sourceId = nextId()
    const plan = newPlan('neocaridina', nextId(), NOW, { grossL: 30, inside, roomC, sourceId })
    expect(plan).toMatchObject({ tank: { grossL: 30, inside, filterRatedL: 30 }, starters: [16], sourceId, roomC })
    expect(newPlan('neocaridina', nextId(), NOW, null)).toMatchObject({ tank: { grossL: 38 }, starters: [20] })
  })
})

describe('the groups in words', () => {
  const home = { tankL: 30, tap: null, roomC: null, wish: null }
  it('each is told at a glance, and how its water is made', () => {
    for (const fit of howTheyFit(home)) {
      const group = groupOf(fit.groupId)
      expect(glanceText(group)).toMatch(/^[A-Z][a-z ]+\. (Breed|Do not).*live .* (weeks|months|years)\.$/)
      const { title, more } = fitText(fit, units)
      expect(`${title} ${more}`).not.toMatch(/NaN|undefined/)
      expect(notQuite(fit, group, units).join(' ')).not.toMatch(/NaN|undefined/)
    }
    expect(
      groups.filter(g => g.company.larvaeNeedSea).map(g => glanceText(g).includes('Do not multiply')),
    ).not.toContain(false)
  })
  it('says what does not fit, and what is best', () => {
    const fits = howTheyFit({ ...home, roomC: { winter: 18, summer: 30 } })
    const of = (id: string) =>
      notQuite(
        fits.find(f => f.groupId === id)!,
        groupOf(id),
        units,
      )
    expect(of('fan-shrimp')[0]).toBe('Your tank is too small: at least 114 L.')
    expect(of('bee-shrimp')).toContain('Too warm in your summer.')
    expect(bestText(fits[0], false, units)).toMatch(/would suit this tank, if your tap does\.$/)
    expect(bestText({ ...fits[0]!, way: 'asItIs' }, true, units)).toMatch(/would live in your tap water as it is\.$/)
    expect(bestText({ ...fits[0]!, way: 'thinned' }, true, units)).toMatch(/would suit you best: thinned\.$/)
    expect(bestText(undefined, true, units)).toBe('')
    expect(boughtText({ kind: 'salt', salt: 'seaSalt', grams: 500 }, units)).toEqual({
      amount: '500 g',
      what: 'sea salt',
    })
    expect(boughtText({ kind: 'pure', litres: 12.5 }, units).amount).toBe('12.5 L')
  })
})
