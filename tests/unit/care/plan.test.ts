import { describe, expect, it } from 'vitest'
import { planGroups, planLog, plannedNetL, planSteps, setUpAdvice, usualTank } from '#core/care'
import { groups } from '#core/groups'
import { DAY_MS, momentMs, netLitres, type Plan, WEEK_MS } from '#core/records'
import { daysAgo, entryOf, nextId, NOW, plan as planOf, test as waterTest, waterChange } from '../../make'

const roomId = nextId()
const plan = (more: Partial<Plan> = {}) => planOf(roomId, more)
const tank = (more: Partial<Plan['tank']>) => plan({ tank: { ...plan().tank, ...more } })
const stateOf = (p: Plan, key: string) => setUpAdvice(p).checks.find(c => c.key === key)?.state

describe('setUpAdvice', () => {
  it('is content with what the group wants', () => {
    expect(setUpAdvice(plan()).checks.filter(c => c.state === 'off')).toEqual([])
  })
  it('reckons litres and kilograms of the bottom', () => {
    const advice = setUpAdvice(
      tank({
        inside: { lengthCm: 60, widthCm: 30, heightCm: 34 },
        grossL: 61.2,
        substrate: { kind: 'gravel', depthCm: 4 },
      }),
    )
    expect(advice.substrateL).toBeCloseTo(7.2, 6)
    expect(advice.substrateKg).toBeCloseTo(7.2 * 1.5, 6)
    expect(setUpAdvice(tank({ substrate: { kind: 'none', depthCm: 0 } })).substrateKg).toBe(0)
  })
  it('finds what is missing', () => {
    expect(stateOf(tank({ intakeGuard: false }), 'intake')).toBe('off')
    expect(stateOf(tank({ filterRatedL: 0 }), 'filter')).toBe('off')
    expect(stateOf(tank({ filterRatedL: 20 }), 'filter')).toBe('drifting')
    expect(stateOf(tank({ grossL: 3 }), 'litres')).toBe('off')
    expect(stateOf(plan({ starters: [0] }), 'starters')).toBe('off')
    expect(stateOf(plan({ starters: [5000] }), 'starters')).toBe('off')
    expect(stateOf(plan({ starters: [6] }), 'starters')).toBe('drifting')
    expect(stateOf(tank({ carbonateGL: 15 }), 'carbonate')).toBe('off')
    expect(stateOf({ ...tank({ cover: false }), groupIds: ['land-crab'] }, 'cover')).toBe('off')
    expect(stateOf({ ...tank({}), groupIds: ['bee-shrimp'] }, 'substrate')).toBe('off')
    expect(stateOf({ ...tank({ filterRatedL: 60 }), groupIds: ['bee-shrimp'] }, 'filter')).toBe('drifting')
  })
  it('asks for stone where it is wanted, by the litre', () => {
    const isopods = { ...tank({ carbonateGL: 18 }), groupIds: ['water-isopod'] }
    expect(stateOf(isopods, 'carbonate')).toBe('onTarget')
    expect(setUpAdvice(isopods).carbonateG).toBeCloseTo(18 * plannedNetL(isopods), 6)
  })
  it('splits the starters where sexes matter', () => {
    const { females, males } = setUpAdvice({ ...plan({ starters: [3] }), groupIds: ['land-crab'] })
    expect([females, males]).toEqual([2, 1])
  })
  it('has something sensible to say of every group', () => {
    for (const g of groups) {
      const advice = setUpAdvice({ ...plan(), groupIds: [g.id] })
      expect(advice.netL).toBeGreaterThan(0)
      expect(advice.checks.length).toBeGreaterThan(6)
    }
    expect(
      planGroups(plan({ groupIds: ['neocaridina', 'ramshorn-snail'], schools: { temperature: 'warm' } })).map(
        g => g.group.id,
      ),
    ).toEqual(['neocaridina', 'ramshorn-snail'])
  })
})

describe('usualTank', () => {
  it('suits the group that it is made for, down to its filters', () => {
    for (const g of groups)
      expect(
        setUpAdvice(
          plan({ groupIds: [g.id], tank: usualTank(g), starters: [g.stocking.starters.value] }),
        ).checks.filter(c => c.state === 'off' || (c.key === 'filter' && c.state !== 'onTarget')),
        g.id,
      ).toEqual([])
    const bees = usualTank(groups.find(g => g.id === 'bee-shrimp')!)
    expect(bees.filterRatedL).toBeGreaterThanOrEqual(2 * bees.grossL * bees.fillShare)
  })
})

describe('planSteps', () => {
  it('lie in order, from what comes before the fill to the first count', () => {
    const steps = planSteps(plan())
    expect(steps.map(s => s.dueMs)).toEqual(steps.map(s => s.dueMs).toSorted((a, b) => a - b))
    expect(steps.at(0)!.id).toBe('legal')
    expect(steps.at(-1)!.id).toBe('firstCount')
    const start = momentMs(plan().startsAt)
    expect(steps.find(s => s.id === 'readyTest')!.dueMs - start).toBe(4 * WEEK_MS)
    expect(steps.some(s => s.id === 'carbonate')).toBe(false)
  })
  it('are done when they are ticked, or when the log says so', () => {
    const p = plan({ done: { legal: daysAgo(30) } })
    const log = planLog(
      [
        waterChange(nextId(), 28, 34),
        waterTest(nextId(), 20, { ammoniaMgL: 1, nitriteMgL: 0.2 }),
        waterTest(nextId(), 13, { ammoniaMgL: 0, nitriteMgL: 1 }),
        waterTest(nextId(), 10, { khDh: 4 }),
      ],
      plannedNetL(p),
    )
    const done = Object.fromEntries(
      planSteps(p, log)
        .filter(s => s.doneMs !== null)
        .map(s => [s.id, s.doneMs]),
    )
    expect(Object.keys(done).sort()).toEqual(['fill', 'firstTest', 'legal', 'midTest'])
    expect(done.fill).toBe(NOW - 28 * DAY_MS)
  })
  it('the last test has to be clean', () => {
    const p = plan({ done: { firstTest: daysAgo(20), midTest: daysAgo(13) } })
    const ready = (nitriteMgL: number) =>
      planSteps(p, planLog([waterTest(nextId(), 1, { ammoniaMgL: 0, nitriteMgL })], 36)).find(
        s => s.id === 'readyTest',
      )!.doneMs
    expect(ready(0.5)).toBeNull()
    expect(ready(0)).toBe(NOW - DAY_MS)
  })
  it('one test stands for one step, and a small change is no fill', () => {
    const p = plan()
    const log = planLog(
      [waterTest(nextId(), 1, { ammoniaMgL: 0, nitriteMgL: 0 }), waterChange(nextId(), 20, 5)],
      plannedNetL(p),
    )
    expect(log.filledMs).toBeNull()
    expect(
      planSteps(p, log)
        .filter(s => s.doneMs !== null)
        .map(s => s.id),
    ).toEqual(['firstTest'])
  })
  it('growth that was seen on a round is a step done', () => {
    const grown = (algae: string) =>
      planSteps(plan(), planLog([entryOf('growth', 3, { glassId: nextId(), algae })], 36)).find(s => s.id === 'grown')!
        .doneMs
    expect(grown('some')).toBe(NOW - 3 * DAY_MS)
    expect(grown('none')).toBeNull()
  })
})

describe('netLitres', () => {
  const contents = {
    grossL: 60,
    fill: { by: 'height' as const, share: 0.9 },
    inside: { lengthCm: 50, widthCm: 30, heightCm: 40 },
  }
  it('takes bottom and rock off what is filled', () => {
    expect(netLitres({ ...contents, substrate: { kind: 'sand', depthCm: 4 } })).toBeCloseTo(54 - 6 * 0.62, 6)
    expect(netLitres({ ...contents, rockKg: 5.2 })).toBeCloseTo(52, 6)
  })
  it('believes measured litres, and never comes to nothing', () => {
    expect(netLitres({ ...contents, fill: { by: 'netLitres', netL: 41 }, rockKg: 100 })).toBe(41)
    expect(netLitres({ ...contents, rockKg: 900 })).toBe(3)
  })
})
