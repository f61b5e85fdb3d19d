import { describe, expect, it } from 'vitest'
import { colonyStatements, type StatementInput } from '#core/statements'
import { type Animal, animalIdOf, animalsOf, begun, type Entry, headsTotal } from '#core/records'
import { colony as colonyOf, count, daysAgo, entryOf, inputOf, NOW, nextId, smallRoom } from '../../make'

const heads = (parts: object) => ({ females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0, ...parts })

/** A colony of crabs with followed animals, and its log. */
function crabs(
  names: readonly [string, Animal['sex']][],
  log: (colonyId: string, id: (name: string) => string) => Entry[],
  more: { founders?: object; groupId?: string } = {},
) {
  const s = smallRoom()
  const { founders = { females: 2, males: 1 }, groupId = 'land-crab' } = more
  const colony = { ...colonyOf(s.glass.id, { groupId, founders: heads(founders) }), id: nextId() }
  const id = (name: string) => animalIdOf(colony.id, name)
  const entries = log(colony.id, id)
  const animals = names.map(([name, sex]) => ({
    animal: {
      ...begun(id(name), NOW),
      ...{ roomId: s.room.id, firstColonyId: colony.id, name, groupId, sex, damIds: [], sireIds: [] },
    } satisfies Animal,
    entries: entries.filter(e => animalsOf(e).includes(id(name))),
  }))
  const own = entries.filter(e => 'colonyId' in e && (e.colonyId === colony.id || 'toColonyId' in e))
  const input: StatementInput = { ...inputOf(s, own), colony, animals }
  return { ...colonyStatements(input).statements, id, colony }
}
const trio: [string, Animal['sex']][] = [
  ['Ash', 'male'],
  ['Cinder', 'female'],
  ['Soot', 'female'],
]

describe('a colony of followed animals alone', () => {
  it('is exact and says so, with no count asked for', () => {
    const { number, population: p } = crabs(trio, () => [])
    expect(number.conclusion).toEqual({ key: 'number.exact', values: { value: 3, low: 3, high: 3 } })
    expect(number.reasons.map(r => r.key)).toContain('number.reasonFollowed')
    expect([number.state, number.actions]).toEqual(['onTarget', []])
    expect(p.stages.females).toEqual({ value: 2, low: 2, high: 2 })
    expect(p.stages.males).toEqual({ value: 1, low: 1, high: 1 })
  })
  it('its past is what the log says, to the animal', () => {
    const { population: p } = crabs(trio, (colonyId, id) =>
      [
        entryOf('death', 100, { colonyId, number: 1, sign: 'old', animalIds: [id('Soot')] }),
        entryOf('addition', 50, { colonyId, number: 1, origin: 'bought', animalIds: [id('Rook')] }),
      ].slice(0, 1),
    )
    expect(p.now).toMatchObject({ value: 2, low: 2, high: 2 })
    const on = (days: number) => p.path.findLast(q => q.at <= NOW - days * 86_400_000)!
    expect([on(150).p10, on(150).p90, on(50).p10, on(50).p90]).toEqual([3, 3, 2, 2])
    expect(p.path.at(-1)!.at).toBe(NOW)
    expect(p.grown.past.at(-1)!.value).toBe(2)
  })
  it('the future is not: animals die, and the fan opens', () => {
    const { population: p } = crabs(trio, () => [], { founders: { females: 2, males: 1 } })
    expect(p.fan[0]).toMatchObject({ p10: 3, p90: 3 })
    expect(p.fan.at(-1)!.p10).toBeLessThan(3)
  })
  it('a count of as many is believed, one of more means strangers, and then it is estimated', () => {
    const same = crabs(trio, colonyId => [count(colonyId, 9, 3)])
    expect(same.population.counts).toMatchObject([{ seen: 3, expected: 3, weight: 'full' }])
    const more = crabs(trio, colonyId => [count(colonyId, 9, 6)])
    expect(more.number.conclusion.key).toBe('number.about')
    expect(more.population.now.high).toBeGreaterThan(more.population.now.low)
    expect(more.number.reasons.map(r => r.key)).not.toContain('number.reasonFollowed')
  })
  it('who is not told apart is drawn, and half-grown ones are no breeders', () => {
    const unknown = crabs(trio.map(([n]) => [n, 'unknown'] as const) as typeof trio, () => [])
    expect(unknown.population.now).toMatchObject({ low: 3, high: 3 })
    expect(unknown.population.stages.females.high).toBeGreaterThan(unknown.population.stages.females.low)
  })
  it('one that died without a name is off the number and off the sexes', () => {
    const { population: p, number } = crabs(trio, colonyId => [
      entryOf('death', 30, { colonyId, number: 1, sign: 'unknown' }),
    ])
    expect(number.conclusion.values.value).toBe(2)
    expect(p.stages.females.value + p.stages.males.value).toBe(2)
  })
  it('eggs of its females are in its rooms, and hatch as the broods say', () => {
    const seen = crabs(trio, (colonyId, id) => [
      entryOf('berried', 16, { colonyId, number: 0, animalIds: [id('Cinder')] }),
      entryOf('berried', 12, { colonyId, number: 1, animalIds: [id('Cinder')] }),
    ])
    expect(seen.broods!.lines).toMatchObject([{ who: seen.id('Cinder'), number: 1 }])
    expect(seen.population.broods).toMatchObject({ value: 1, low: 1, high: 1 })
    expect(seen.population.broods.rooms.reduce((a, b) => a + b, 0)).toBe(1)
    expect(crabs(trio, () => []).population.broods.value).toBe(0)
    // nobody carries unseen where each is known
    expect(crabs(trio, () => []).broods!.lines).toEqual([])
  })
  it('many dead at once raise the alarm as they do elsewhere', () => {
    const many = Array.from({ length: 12 }, (_, i): [string, Animal['sex']] => [`C${i}`, i % 3 ? 'female' : 'male'])
    const { population: p } = crabs(
      many,
      (colonyId, id) =>
        [1, 2, 3, 4, 5].map(n =>
          entryOf('death', 3 + n, { colonyId, number: 1, sign: 'unknown', animalIds: [id(`C${n}`)] }),
        ),
      { founders: { females: 8, males: 4 } },
    )
    expect(p.now.value).toBe(7)
    expect(p.deaths.alarm).toBe(true)
    expect(crabs(many, () => [], { founders: { females: 8, males: 4 } }).population.deaths.alarm).toBe(false)
  })
})

describe('followed animals among others', () => {
  it('are counted once: naming them changes no number', () => {
    const log = (colonyId: string) => [count(colonyId, 60, 12), count(colonyId, 4, 11)]
    const founders = { founders: { females: 8, males: 4 } }
    const [named, nameless] = [crabs(trio, log, founders), crabs([], log, founders)]
    expect(headsTotal(named.colony.founders)).toBe(12)
    expect(Math.abs(named.population.now.value - nameless.population.now.value)).toBeLessThan(1)
    expect(named.animals.map(a => a.born)).toEqual([null, null, null])
  })
  it('a female that moved takes her eggs along', () => {
    const away = nextId()
    const log = (move: boolean) => (colonyId: string, id: (name: string) => string) => [
      count(colonyId, 40, 9),
      entryOf('berried', 16, { colonyId, number: 0, animalIds: [id('Cinder')] }),
      entryOf('berried', 12, { colonyId, number: 1, animalIds: [id('Cinder')] }),
      ...(move ? [entryOf('move', 5, { colonyId, toColonyId: away, number: 1, animalIds: [id('Cinder')] })] : []),
    ]
    const founders = { founders: { females: 6, males: 3 } }
    const whose = (move: boolean) =>
      crabs(trio, log(move), founders)
        .broods!.lines.map(l => l.who)
        .filter(Boolean)
    expect(whose(false)).toHaveLength(1)
    expect(whose(true)).toEqual([])
  })
  it('and brings them where she comes to', () => {
    const [from, s] = [nextId(), smallRoom()]
    const colony = { ...colonyOf(s.glass.id, { groupId: 'land-crab', founders: heads({ females: 6, males: 3 }) }) }
    const id = animalIdOf(from, 'Cinder')
    const entries = [
      entryOf('berried', 16, { colonyId: from, number: 0, animalIds: [id] }),
      entryOf('berried', 12, { colonyId: from, number: 1, animalIds: [id] }),
      entryOf('move', 5, { colonyId: from, toColonyId: colony.id, number: 1, animalIds: [id] }),
    ]
    const animal: Animal = {
      ...{ ...begun(id, NOW), roomId: s.room.id, firstColonyId: from, name: 'Cinder', groupId: 'land-crab' },
      ...{ sex: 'female', damIds: [], sireIds: [] },
    }
    const own = [count(colony.id, 40, 9), entries[2]!]
    const told = colonyStatements({ ...inputOf(s, own), colony, animals: [{ animal, entries }] }).statements
    expect(told.broods!.lines.filter(l => l.who === id)).toHaveLength(1)
    expect(told.animals).toMatchObject([{ animalId: id, colonyId: colony.id, broods: [{ end: null }] }])
  })
  it('who dies takes her eggs with her', () => {
    const { broods, animals } = crabs(
      trio,
      (colonyId, id) => [
        entryOf('berried', 16, { colonyId, number: 0, animalIds: [id('Cinder')] }),
        entryOf('berried', 12, { colonyId, number: 1, animalIds: [id('Cinder')] }),
        entryOf('death', 3, { colonyId, number: 1, sign: 'unknown', animalIds: [id('Cinder')] }),
      ],
      { founders: { females: 6, males: 3 } },
    )
    expect(broods!.lines.filter(l => l.who !== null)).toEqual([])
    expect(animals.find(a => a.left)!.broods).toMatchObject([{ end: { how: 'lost' } }])
  })
  it('who is too young to breed is half-grown among the known', () => {
    const s = smallRoom()
    const colony = colonyOf(s.glass.id, {
      groupId: 'land-crab',
      founders: heads({ unsexed: 1 }),
      startedAt: daysAgo(60),
    })
    const of = (days: number) => {
      const animal: Animal = {
        ...{ ...begun(animalIdOf(colony.id, 'Chip'), NOW), roomId: s.room.id, firstColonyId: colony.id, name: 'Chip' },
        ...{ groupId: 'land-crab', sex: 'male', damIds: [], sireIds: [] },
        born: { from: daysAgo(days), to: daysAgo(days) },
      }
      const input = { ...inputOf(s, []), colony, animals: [{ animal, entries: [] }] }
      return colonyStatements(input).statements.population.stages
    }
    // a crab is grown after 33 weeks
    expect([of(100).young.value, of(100).males.value]).toEqual([1, 0])
    expect([of(300).young.value, of(300).males.value]).toEqual([0, 1])
  })
  it('the next entry goes on from it: exact again, or estimated once a stranger comes', () => {
    const s = smallRoom()
    const colony = colonyOf(s.glass.id, { groupId: 'land-crab', founders: heads({ males: 1 }) })
    const animal: Animal = {
      ...{ ...begun(animalIdOf(colony.id, 'Chip'), NOW), roomId: s.room.id, firstColonyId: colony.id, name: 'Chip' },
      ...{ groupId: 'land-crab', sex: 'male', damIds: [], sireIds: [] },
    }
    const input = (entries: Entry[]) => ({ ...inputOf(s, entries), colony, animals: [{ animal, entries: [] }] })
    const first = colonyStatements(input([]))
    expect(first.fit.keep()).toBeNull()
    const more = input([entryOf('addition', 3, { colonyId: colony.id, number: 2, origin: 'bought' })])
    const next = colonyStatements(more, first.fit)
    expect(next.statements).toEqual(colonyStatements(more).statements)
    expect(next.statements.number.reasons.map(r => r.key)).not.toContain('number.reasonFollowed')
    expect(colonyStatements(input([]), next.fit).statements).toEqual(first.statements)
  })
})
