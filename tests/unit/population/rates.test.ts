import { describe, expect, it } from 'vitest'
import { groups, preferredC } from '#core/groups'
import { stageRates } from '#core/population'
import { matrixView } from '../../../core/population/matrixView'
import { freeShare, LIFE, lifeCycle } from '../../../core/population/lifeCycle'
import { projectionMatrix, summarise } from '../../../core/population/projectionMatrix'
import { comeUpFor, growthPerWeek } from '../../../core/population/rates'
import { EGGS, FEMALES, FIRST, MALES, ROWS, STAGES, stageRows, YOUNG_2 } from '../../../core/population/stages'
import { DRAWS } from '../../../core/population/pass'
import { stepOf } from '../../../core/population/step'
import { ratesOf, resolvedOf } from './questions'
import { meanStep } from './meanStep'

/** Every group with every school that changes how fast it grows. */
const cases = groups.flatMap(g => [
  { id: g.id, schools: {} as Record<string, string> },
  ...Object.entries(g.schools).flatMap(([kind, options]) =>
    options!.filter(o => o.growthPerWeek).map(o => ({ id: g.id, schools: { [kind]: o.id } })),
  ),
])

describe('stageRates', () => {
  it.each(cases)('$id $schools: an uncrowded colony grows as its group says', ({ id, schools }) => {
    const r = resolvedOf(id, { schools })
    const rates = stageRates(r, { temperatureC: preferredC(r), capacity: 300 })
    expect(rates.growth).toBeCloseTo(r.growthPerWeek.value, 5)
    expect(rates.comeUp).toBeLessThanOrEqual(1)
    expect(rates.holds).toBeLessThan(0)
  })
  it('the characteristic equation is that of the step: iterated for long, the mean colony grows by its root', () => {
    for (const id of ['neocaridina', 'ramshorn-snail', 'dwarf-crayfish']) {
      const r = ratesOf(id)
      const x = new Float64Array(STAGES).fill(1)
      let factor = 1
      for (let i = 0; i < 1500; i++) {
        meanStep(x, r, { comeUp: r.comeUp, loss: 1 })
        factor = x.reduce((a, b) => a + b)
        for (let s = 0; s < STAGES; s++) x[s] = x[s]! / factor
      }
      expect(Math.log(factor)).toBeCloseTo(growthPerWeek(r), 6)
      expect(comeUpFor(r, factor)).toBeCloseTo(r.comeUp, 6)
    }
  })
  it('and so is the matrix: its largest eigenvalue is the same growth', () => {
    const r = ratesOf('neocaridina')
    const factor = Math.exp(r.growth)
    const { u, f } = projectionMatrix(r, { comeUp: r.comeUp, loss: 1 }, freeShare(r, factor))
    expect(matrixView(u.map((row, i) => row.map((x, j) => x + f[i]![j]!))).lambda).toBeCloseTo(factor, 6)
  })
  it('warmer is faster, cooler is slower', () => {
    const r = resolvedOf('neocaridina')
    const at = (temperatureC: number) => stageRates(r, { temperatureC, capacity: 300 })
    expect(at(27).growth).toBeGreaterThan(at(23.5).growth)
    expect(at(20).growth).toBeLessThan(at(23.5).growth)
    expect(at(27).adultHazard).toBeGreaterThan(at(20).adultHazard)
  })
  it.each(groups.filter(g => g.id !== 'custom').map(g => g.id))(
    '%s: every stay is shorter by the pace of a warmer glass, every hazard of the grown larger',
    id => {
      const resolved = resolvedOf(id)
      const { stages: s, life } = resolved.group
      const [mild, warm] = [preferredC(resolved), preferredC(resolved) + 4]
      const at = (temperatureC: number) => stageRates(resolved, { temperatureC, capacity: 300 })
      const pace = s.q10.value ** 0.4
      const dt = s.stepDays / 7
      expect(pace).toBeGreaterThan(1)
      for (const [r, p] of [
        [at(mild), 1],
        [at(warm), pace],
      ] as const) {
        // rooms a stage has, over the weeks that it takes: the chance to leave one of them, one at most
        const leaves = (rooms: number, weeks: number) => Math.min(1, (rooms * dt * p) / weeks)
        const resting = s.eggs === 'resting'
        // how far a brood gets in a step: eight rooms in the weeks that eggs take
        const advance = r.eggs.hop.reduce((sum, chance, by) => sum + by * chance, 0)
        expect(advance).toBeCloseTo(resting ? 0 : (8 * dt * p) / s.eggWeeks.value, 10)
        expect(r.firstLeave).toBeCloseTo(leaves(1, s.firstWeeks.value), 10)
        expect(r.youngLeave).toBeCloseTo(leaves(2, s.youngWeeks.value), 10)
        const broods = (dt * p) / s.restWeeks.value
        expect(r.broods).toBeCloseTo(s.eggs === 'carried' ? 1 - Math.exp(-broods) : broods, 10)
        const breeds = life.breedsInPlace && !resting
        const dying = breeds ? 1 / s.adultWeeks.value : Math.max(1e-4, -resolved.growthPerWeek.value)
        expect(r.adultHazard).toBeCloseTo(dying * p * dt, 10)
        expect(r.youngHazard).toBeCloseTo(s.youngLoss.value * dt, 10)
        expect(r.firstHazard).toBeCloseTo(2 * s.youngLoss.value * dt, 10)
        expect(r.carried).toBe(s.eggs === 'carried')
        if (!breeds) expect([r.comeUp, r.growthByRecruits]).toEqual([0, 0])
      }
    },
  )
  it('growth is per week, whatever the step; an impossible factor needs no young', () => {
    for (const id of ['neocaridina', 'pool-branchiopod', 'fan-shrimp', 'nerite-snail']) {
      const r = ratesOf(id)
      if (r.comeUp > 0) expect(comeUpFor(r, Math.exp(growthPerWeek(r) * r.dtWeeks))).toBeCloseTo(r.comeUp, 6)
      // without young only the deaths of the grown are left
      expect(growthPerWeek({ ...r, comeUp: 0 })).toBeCloseTo(-r.adultHazard / r.dtWeeks, 10)
      expect(comeUpFor(r, Math.exp(-r.adultHazard))).toBe(0)
      expect(comeUpFor(r, 0.5 * Math.exp(-r.adultHazard))).toBe(0)
    }
    const week = ratesOf('neocaridina')
    const half = { ...week, dtWeeks: week.dtWeeks / 2 }
    expect(growthPerWeek(half)).toBeCloseTo(2 * growthPerWeek(week), 10)
  })
  it('where the room is full so few come up that the colony just holds itself', () => {
    for (const id of ['neocaridina', 'ramshorn-snail', 'trumpet-snail']) {
      const r = ratesOf(id)
      expect(r.growth, id).toBeGreaterThan(0.02)
      expect(growthPerWeek({ ...r, comeUp: r.comeUp * Math.exp(r.holds) }), id).toBeCloseTo(0, 8)
    }
  })
  it('a colony that shrinks anyway has no room to hold to', () => {
    const shrinking = ratesOf('neocaridina', 300, { life: { growthPerWeek: -0.03 } })
    expect(shrinking.growth).toBeLessThan(0)
    expect(shrinking.holds).toBe(ratesOf('nerite-snail').holds)
    expect(ratesOf('neocaridina').holds).toBeLessThan(shrinking.holds)
  })
  it('births and deaths move growth the way they should', () => {
    const r = ratesOf('neocaridina')
    expect(r.growthByRecruits).toBeGreaterThan(0)
    expect(r.growthByLosses).toBeLessThan(0)
    expect(ratesOf('nerite-snail').growthByRecruits).toBe(0)
  })
  it('refuses a glass without room', () => {
    expect(() => ratesOf('neocaridina', 0)).toThrow(/capacity/)
  })
})

describe('summarise', () => {
  it('shares of what matters sum to 1, and a generation is longer than growing up', () => {
    const r = ratesOf('neocaridina')
    const m = summarise(r, r.comeUp, 1)
    expect(m.matters.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 8)
    expect(m.matters.every((x, i, all) => i === 0 || x.share <= all[i - 1]!.share)).toBe(true)
    expect(m.generationWeeks).toBeGreaterThan(12)
    expect(Object.values(m.settled).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 8)
    expect(m.doublingWeeks).toBeCloseTo(Math.LN2 / 0.065, 0)
  })
  it('animals that do not breed here only die', () => {
    const m = summarise(ratesOf('fan-shrimp'), 0, 1)
    expect(m.growthPerWeek).toBeLessThan(0)
    expect(m.matters).toEqual([{ what: 'adults', share: 1 }])
    expect(m.doublingWeeks).toBeNull()
  })
})

describe('the luck of a particle', () => {
  it('decides one thing with each number: who dies and who grows are not the same throw', () => {
    const { struck, hop, laid, ...single } = DRAWS
    const used = [...Object.values(single), ...LIFE.flatMap(way => Object.values(way.luck))]
    expect(used.toSorted((a: number, b: number) => a - b)).toEqual(used.map((_, i) => i))
    // what a blow takes of each stage, and the ways out of each room, are drawn after all others
    expect(struck).toBe(used.length)
    expect(hop).toBe(struck + STAGES)
    expect(laid).toBeGreaterThanOrEqual(hop + 8 * 8)
  })
})

describe('the mean step', () => {
  it.each(['neocaridina', 'ramshorn-snail', 'amphidromous-shrimp'])(
    'of %s goes along the arcs of the life',
    groupId => {
      const r = ratesOf(groupId)
      const before = Float64Array.from([9, 4, 3, 2, 0, 1, 2, 5, 80, 60, 40, 35, 30])
      const conduct = { comeUp: 0.3, loss: 1.4 }
      const x = before.slice()
      meanStep(x, r, conduct)
      const arcs = new Float64Array(STAGES)
      for (const { from, to, share, born } of lifeCycle(r, { ...conduct, broodsPerFemale: 0 }))
        if (!born) arcs[to] = arcs[to]! + before[from]! * share
      for (let stage = 0; stage < STAGES; stage++)
        if (stage >= FIRST) expect(x[stage], `${stage}`).toBeCloseTo(arcs[stage]!, 9)
        else expect(x[stage], `${stage}`).toBeGreaterThanOrEqual(arcs[stage]! - 1e-9)
    },
  )
})

describe('a step by chance', () => {
  const size = 4000
  const cloudOf = (fill: Record<number, number>) => {
    const cloud = new Float64Array(ROWS * size)
    for (const [row, n] of Object.entries(fill)) cloud.fill(n, Number(row) * size, (Number(row) + 1) * size)
    return cloud
  }
  const mean = (cloud: Float64Array, row: number) =>
    cloud.subarray(row * size, (row + 1) * size).reduce((a, b) => a + b, 0) / size
  it('its mean is the mean step', () => {
    const r = ratesOf('neocaridina', 5000)
    const cloud = cloudOf({ [FEMALES]: 40, [MALES]: 30, [EGGS]: 12, [YOUNG_2]: 60 })
    const x = new Float64Array(STAGES)
    for (const [row, n] of [
      [EGGS, 12],
      [YOUNG_2, 60],
      [FEMALES, 40],
      [MALES, 30],
    ] as const)
      x[row] = n
    // crowding at 130 of 5000 animals
    meanStep(x, r, { comeUp: r.comeUp * Math.exp((r.holds * 130) / 5000), loss: 1 })
    stepOf(r)({ cloud, size }, 77)
    for (const row of [...stageRows.eggs, YOUNG_2, FEMALES, MALES])
      expect(Math.abs(mean(cloud, row) - x[row]!), `${row}`).toBeLessThan(0.03 * x[row]! + 0.05)
  })
  it('lives in whole animals, never fewer than none', () => {
    const r = ratesOf('ramshorn-snail')
    const cloud = cloudOf({ [FEMALES]: 3 })
    for (let week = 0; week < 30; week++) stepOf(r)({ cloud, size }, week)
    for (let row = 0; row < STAGES; row++)
      for (let i = 0; i < size; i++)
        expect(Number.isInteger(cloud[row * size + i]!) && cloud[row * size + i]! >= 0).toBe(true)
  })
  it('without males nothing is born, except where none are needed', () => {
    const lone = cloudOf({ [FEMALES]: 10 })
    const snails = cloudOf({ [FEMALES]: 10 })
    for (let week = 0; week < 4; week++) {
      stepOf(ratesOf('neocaridina'))({ cloud: lone, size }, week)
      stepOf(ratesOf('ramshorn-snail'))({ cloud: snails, size }, week)
    }
    expect(mean(lone, EGGS)).toBe(0)
    expect(mean(snails, EGGS)).toBeGreaterThan(0)
  })
  it('the same key gives the same luck, and more room never fewer young', () => {
    const start = { [FEMALES]: 100, [MALES]: 80, [EGGS]: 30, [EGGS + 6]: 30 }
    const a = cloudOf(start)
    const b = cloudOf(start)
    const wide = cloudOf(start)
    stepOf(ratesOf('neocaridina'))({ cloud: a, size }, 9)
    stepOf(ratesOf('neocaridina'))({ cloud: b, size }, 9)
    stepOf(ratesOf('neocaridina'))({ cloud: wide, size }, 9, { roomFactor: 2 })
    expect(a).toEqual(b)
    for (let i = 0; i < size; i++) expect(wide[FIRST * size + i]!).toBeGreaterThanOrEqual(a[FIRST * size + i]!)
    expect(mean(wide, FIRST)).toBeGreaterThan(mean(a, FIRST))
  })
})
