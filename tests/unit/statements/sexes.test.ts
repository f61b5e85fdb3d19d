import { describe, expect, it } from 'vitest'
import type { Entry } from '#core/records'
import { needsAttention } from '#core/care'
import { colonyStatements, firstLook } from '#core/statements'
import { addition, count, daysAgo, inputOf, removal, smallRoom, test as waterTest } from '../../make'

const nobody = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
const crabs = (founders: Partial<typeof nobody>, groupId = 'land-crab') =>
  smallRoom({ colony: { groupId, startedAt: daysAgo(100), founders: { ...nobody, ...founders } } })
const tell = (s: ReturnType<typeof smallRoom>, entries: Entry[] = []) =>
  colonyStatements(inputOf(s, entries)).statements.number
const sexes = (n: ReturnType<typeof tell>) => n.reasons.find(r => r.key === 'number.reasonSexes')?.values
const parts = (females: number, males: number) => ({ parts: { ...nobody, females, males } })

describe('one male to two females where a group wants that', () => {
  it('two to one is right, one to two is watched, and says what to do', () => {
    const right = tell(crabs({ females: 2, males: 1 }))
    expect(sexes(right)).toEqual({ females: 2, males: 1, wanted: 2 })
    expect(right.actions.map(a => a.key)).not.toContain('number.doFewerMales')
    const wrong = tell(crabs({ females: 1, males: 2 }))
    // nobody ever counted them: that comes before how many of each there are
    expect(wrong.state).toBe('unknown')
    const s = crabs({ females: 1, males: 2 })
    expect(tell(s, [count(s.colony.id, 1, 3, parts(1, 2))]).state).toBe('drifting')
    expect(tell(s, [count(s.colony.id, 1, 3, parts(2, 1))]).state).toBe('onTarget')
    expect(wrong.actions.map(a => a.key)).toContain('number.doFewerMales')
  })
  it('too many males are watched in the Room, and need nobody today', () => {
    const s = crabs({ females: 1, males: 2 })
    const water = { ghDh: 8, khDh: 4, ph: 7.7, temperatureC: 25, humidityPct: 85, nitrateMgL: 5 }
    const tested = [waterTest(s.glass.id, 15, water), waterTest(s.glass.id, 1, water)]
    const [need] = needsAttention([colonyStatements(inputOf(s, [], tested)).statements])
    expect(need).toMatchObject({ today: false, state: 'drifting', title: { key: 'number.reasonSexes' } })
    expect(need!.action!.key).toBe('number.doFewerMales')
    const right = crabs({ females: 2, males: 1 })
    const rightly = tested.map(e => ({ ...e, glassId: right.glass.id }) as Entry)
    const counted = [count(right.colony.id, 1, 3, parts(2, 1))]
    expect(needsAttention([colonyStatements(inputOf(right, counted, rightly)).statements])).toEqual([])
  })
  it.each([
    [4, 2, false],
    [3, 2, false],
    [2, 2, true],
    [6, 4, true],
    [0, 3, true],
  ])('%i females with %i males: too many males %s', (females, males, many) => {
    expect(tell(crabs({ females, males })).actions.some(a => a.key === 'number.doFewerMales')).toBe(many)
  })
  it('the newest count that told them apart decides, and what came and went since', () => {
    const s = crabs({ females: 1, males: 2 })
    const { id } = s.colony
    const counted = count(id, 30, 4, parts(3, 1))
    expect(sexes(tell(s, [counted]))).toMatchObject({ females: 3, males: 1 })
    expect(sexes(tell(s, [counted, count(id, 10, 4)]))).toMatchObject({ females: 3, males: 1 })
    const came = { ...addition(id, 5, 2), ...parts(0, 2) }
    const went = { ...removal(id, 4, 1), ...parts(1, 0) }
    expect(sexes(tell(s, [counted, came, went]))).toMatchObject({ females: 2, males: 3 })
  })
  it('what was known half a year ago is not known any more, and two animals are no ratio', () => {
    const old = smallRoom({
      colony: { groupId: 'land-crab', startedAt: daysAgo(190), founders: { ...nobody, females: 1, males: 2 } },
    })
    expect(sexes(tell(old))).toBeUndefined()
    expect(sexes(tell(old, [count(old.colony.id, 100, 3, parts(1, 2))]))).toMatchObject({ males: 2 })
    expect(sexes(tell(crabs({ females: 1, males: 1 })))).toBeUndefined()
    expect(sexes(tell(crabs({ unsexed: 6 })))).toBeUndefined()
  })
  it('groups that want none are not spoken to', () => {
    const shrimp = crabs({ females: 4, males: 12 }, 'neocaridina')
    expect(sexes(firstLook(inputOf(shrimp)).number)).toBeUndefined()
  })
})
