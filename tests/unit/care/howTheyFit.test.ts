import { describe, expect, it } from 'vitest'
import {
  advisedStarters,
  type AtHome,
  carbonateRemark,
  howTheyFit,
  plannedNetL,
  usualTank,
  wantsHeater,
} from '#core/care'
import { groupOf, groups } from '#core/groups'
import { usualBench } from '#core/records'
import { completeAnalysis, fillToBuy, khOf, ghOf, pureWater, readoutsOf } from '#core/water'

const tapOf = (ghDh: number, khDh: number) => completeAnalysis({ ghDh, khDh, conductivityUsCm: 33 * ghDh + 30 }).water
const home: AtHome = { tankL: 30, tap: tapOf(7.2, 5), roomC: { winter: 20, summer: 25 }, wish: 'breed' }
const fits = (more: Partial<AtHome> = {}) => howTheyFit({ ...home, ...more })
const fit = (groupId: string, more: Partial<AtHome> = {}) => fits(more).find(f => f.groupId === groupId)!

describe('how they fit', () => {
  it('weighs every group but the keeper’s own, the best first', () => {
    expect(fits()).toHaveLength(groups.length - 1)
    const trouble = fits().map(f => f.trouble)
    expect(trouble).toEqual(trouble.toSorted((a, b) => a - b))
    expect(fits()[0]!.groupId).toBe('neocaridina')
    // a helper that nobody keeps for its own sake comes after them, though nothing at all is in its way
    expect(fits({ wish: null })[0]!.groupId).toBe('neocaridina')
    // in hard water snails come before shrimp
    const hard = fits({ tap: tapOf(16, 9), wish: null }).map(f => f.groupId)
    expect(hard.indexOf('ramshorn-snail')).toBeLessThan(hard.indexOf('neocaridina'))
  })
  it('says how their water is made from the tap', () => {
    expect(fit('neocaridina')).toMatchObject({ way: 'asItIs', toBuy: [] })
    expect(fit('neocaridina', { tap: tapOf(16, 9) })).toMatchObject({ way: 'thinned', toBuy: [{ kind: 'pure' }] })
    expect(fit('neocaridina', { tap: tapOf(3, 4) })).toMatchObject({ way: 'littleSalt' })
    expect(fit('bee-shrimp').way).toBe('pureWater')
    expect(fit('bee-shrimp').toBuy.map(b => b.kind)).toEqual(['pure', 'mix'])
    expect(fit('brackish-pool-shrimp')).toMatchObject({ way: 'seaSalt' })
    // 12 to 24 g/L in 25.5 L of water
    expect(fit('water-isopod')).toMatchObject({ way: 'carbonate', carbonateG: 459 })
    expect(fit('water-isopod', { tap: tapOf(17, 9) })).toMatchObject({ way: 'asItIs', carbonateG: 0 })
  })
  it('knows without a tap only what needs none', () => {
    expect(fit('neocaridina', { tap: null })).toMatchObject({ way: 'unknown', toBuy: [] })
    expect(fit('bee-shrimp', { tap: null }).way).toBe('pureWater')
    expect(fit('brackish-pool-shrimp', { tap: null }).way).toBe('seaSalt')
  })
  it('knows who needs a heater, who gets too warm, and whose tank is too small', () => {
    expect(fit('neocaridina').warmth).toBe('heater')
    expect(fit('water-isopod').warmth).toBe('asItIs')
    expect(fit('bee-shrimp', { roomC: { winter: 21, summer: 27 } }).warmth).toBe('tooWarm')
    // at the very edge of what is tolerated it is not too warm yet: 20 to 28 °C
    const warm = (summer: number) => fit('neocaridina', { roomC: { winter: 22, summer } }).warmth
    expect([warm(28), warm(28.1)]).toEqual(['asItIs', 'tooWarm'])
    // nobody told: a room that is heated in winter
    expect(fit('ramshorn-snail', { roomC: null }).warmth).toBe('heater')
    expect(fit('fan-shrimp').room).toBe('tooSmall')
    expect(fit('fan-shrimp', { tankL: 120 }).room).toBe('enough')
    expect(fit('neocaridina').room).toBe('tight')
  })
  it('puts those first that do what is wished', () => {
    const place = (id: string, wish: AtHome['wish']) => fits({ wish }).findIndex(f => f.groupId === id)
    expect(place('amphidromous-shrimp', 'algae')).toBeLessThan(place('amphidromous-shrimp', 'breed'))
    expect(place('land-crab', 'odd')).toBeLessThan(place('land-crab', 'algae'))
  })
  it('throws for a tank that holds nothing', () => {
    expect(() => fits({ tankL: 0 })).toThrow(/tankL/)
  })
})

describe('a heater', () => {
  const { temperatureC } = groupOf('neocaridina').targets
  it('hangs where the room is colder in winter than they like, however warm its summer is', () => {
    expect(wantsHeater(temperatureC, { winter: 21.9, summer: 25 })).toBe(true)
    expect(wantsHeater(temperatureC, { winter: 22, summer: 25 })).toBe(false)
    expect(wantsHeater(temperatureC, { winter: 15, summer: 35 })).toBe(true)
    // nobody told: a room that is heated to 19 °C
    expect(wantsHeater(temperatureC)).toBe(true)
    expect(wantsHeater(undefined)).toBe(false)
  })
  it('is the same in the plan as where it began', () => {
    for (const winter of [18, 21, 23]) {
      const roomC = { winter, summer: 25 }
      for (const f of fits({ roomC })) {
        if (f.warmth === 'tooWarm') continue
        const { temperatureC: wanted } = groupOf(f.groupId).targets
        expect(wantsHeater(wanted, roomC), f.groupId).toBe(f.warmth === 'heater')
      }
    }
  })
})

describe('what the beginning says of litres and stone', () => {
  it('is what the plan reckons with: less the bottom where the edges are known', () => {
    const inside = { lengthCm: 40, widthCm: 30, heightCm: 25 }
    const f = fit('water-isopod', { inside })
    const tank = { ...usualTank(groupOf('water-isopod'), 30), inside }
    expect(f.carbonateG).toBe(Math.round(tank.carbonateGL * plannedNetL({ tank })))
    expect(f.carbonateG).toBeLessThan(fit('water-isopod').carbonateG)
  })
})

describe('advisedStarters', () => {
  const n = (id: string, litres: number) => advisedStarters(groupOf(id), litres)
  it('are those of the trade in their usual litres, fewer in a small glass, more in a large one', () => {
    expect(n('neocaridina', 38)).toBe(20)
    expect(n('neocaridina', 19)).toBe(10)
    expect(n('neocaridina', 76)).toBeGreaterThan(20)
    expect(n('neocaridina', 76)).toBeLessThan(40)
    // 12 to 20 in 2 L, 75 to 100 in 38 L (common practice)
    expect(n('brackish-pool-shrimp', 2)).toBe(12)
    expect(n('brackish-pool-shrimp', 38)).toBeGreaterThanOrEqual(75)
    expect(n('brackish-pool-shrimp', 38)).toBeLessThanOrEqual(100)
    // at most three in 25 L (common practice)
    expect(n('land-crab', 50)).toBeLessThanOrEqual(6)
    expect(n('fan-shrimp', 20)).toBe(2)
    expect(n('neocaridina', 2)).toBe(3)
    expect(() => n('neocaridina', 0)).toThrow(/grossL/)
  })
})

describe('carbonate stone', () => {
  const remark = (id: string, gL: number) => carbonateRemark(groupOf(id), gL * 40, 40)?.key ?? null
  it('is remarked on where it is far outside what the group’s keepers use, or where none is wanted', () => {
    // isopods: 12 to 24 g/L (common practice)
    expect([1, 5, 7, 18, 40, 47, 49].map(g => remark('water-isopod', g))).toEqual([
      'tooLittle',
      'tooLittle',
      null,
      null,
      null,
      null,
      'tooMuch',
    ])
    expect([remark('bee-shrimp', 0), remark('bee-shrimp', 0.5)]).toEqual([null, 'unwanted'])
    expect(carbonateRemark(groupOf('water-isopod'), 4000, 40)).toMatchObject({ have: 100, low: 12, high: 24 })
    expect(() => carbonateRemark(groupOf('water-isopod'), 10, 0)).toThrow(/netL/)
  })
})

describe('a fill with what has to be bought', () => {
  const { targets } = groupOf('neocaridina')
  const onHand = { sources: [{ id: 'tap', water: tapOf(16, 9) }], shelf: [], bench: usualBench }
  const fill = (sources: typeof onHand.sources, wanted = targets) =>
    fillToBuy({ onHand: { ...onHand, sources }, netL: 20, targets: wanted })
  it('buys nothing that is at hand', () => {
    expect(fill([...onHand.sources, { id: 'ro', water: { ...pureWater } }]).toBuy).toEqual([])
    expect(fill([{ id: 'tap', water: tapOf(7, 5) }]).toBuy).toEqual([])
  })
  it('adds up to the fill, and to its water', () => {
    const { answer, toBuy } = fill(onHand.sources)
    if (!answer.ok) throw new Error(answer.issue)
    const [step] = answer.recipe.steps
    const litres = step!.pours.reduce((sum, p) => sum + p.litres, 0)
    expect(litres).toBeCloseTo(20, 6)
    const bought = toBuy.find(b => b.kind === 'pure')!
    const tap = step!.pours.find(p => p.id === 'tap')!
    expect(bought.kind === 'pure' && bought.litres + tap.litres).toBeCloseTo(20, 6)
    expect(ghOf(step!.after)).toBeCloseTo((16 * tap.litres) / 20, 2)
    expect(khOf(step!.after)).toBeCloseTo((9 * tap.litres) / 20, 2)
  })
  it('makes the water of every group from nothing at all', () => {
    for (const g of groups.filter(g => g.id !== 'custom' && g.targets.khDh)) {
      const { answer } = fill([], g.targets)
      if (!answer.ok) throw new Error(`${g.id}: ${answer.issue}`)
      const after = readoutsOf(answer.recipe.steps[0]!.after)
      for (const key of ['ghDh', 'khDh'] as const) {
        const [low, high] = g.targets[key]!.preferred
        expect(after[key], `${g.id} ${key}`).toBeGreaterThanOrEqual(low - 0.11)
        expect(after[key], `${g.id} ${key}`).toBeLessThanOrEqual(high + 0.11)
      }
    }
  })
})
