import { describe, expect, it } from 'vitest'
import { colonyStatements, questionFrom, type StatementInput, teachEachOther } from '#core/statements'
import { currentEntries, type Entry } from '#core/records'
import { colony as colonyOf, entryOf, inputOf, nextId, smallRoom, test as waterTest } from '../../make'

/** One brood that was watched from its beginning to its hatch, looked at every third day. */
const watched = (colonyId: string, ago: number, length: number): Entry[] => {
  const look = (days: number, number: number) => entryOf('berried', days, { colonyId, number })
  return [
    look(ago + 1, 0),
    ...Array.from({ length: Math.floor(length / 3) + 1 }, (_, k) => look(ago - 3 * k, 1)),
    look(ago - length - 1, 0),
    look(ago - length - 3, 0),
  ]
}
const slow = (colonyId: string) => [250, 200, 150, 100].flatMap(ago => watched(colonyId, ago, 28))
/** A colony of a group with its log. */
function inputFor(
  groupId: string,
  log: (colonyId: string) => Entry[],
  more: Partial<StatementInput> = {},
): StatementInput {
  const s = smallRoom()
  const colony = { ...colonyOf(s.glass.id, { groupId, startedAt: '2025-11-01T12:00:00.000Z' }), id: nextId() }
  return { ...inputOf(s, currentEntries(log(colony.id))), colony, ...more }
}
const lately = (colonyId: string) => [
  entryOf('berried', 8, { colonyId, number: 0 }),
  entryOf('berried', 4, { colonyId, number: 2 }),
]
const told = (input: StatementInput) => colonyStatements(input).statements.broods!

describe('broods in the statements of a colony', () => {
  it('hatch by the warmth of its water', () => {
    const warmth = (celsius: number) =>
      [20, 12, 3].map(days => waterTest(smallRoom().glass.id, days, { temperatureC: celsius }))
    const at = (celsius: number) => told({ ...inputFor('neocaridina', lately), glassEntries: warmth(celsius) })
    expect(at(27).temperatureC).toBeCloseTo(27, 6)
    expect(at(27).lines[0]!.hatch.likelyMs).toBeLessThan(at(21).lines[0]!.hatch.likelyMs - 5 * 86_400_000)
  })
  it('of a colony that is always berried are read from its fit, by how far they are', () => {
    const always = (colonyId: string) =>
      Array.from({ length: 14 }, (_, k) => entryOf('berried', 68 - 5 * k, { colonyId, number: 5 }))
    const { broods, population } = colonyStatements(inputFor('neocaridina', always)).statements
    expect(broods!.lines.length).toBeGreaterThan(1)
    for (const line of broods!.lines) expect(line.age).not.toBeNull()
    // as many as the model has, less those that are hardly any
    const all = population.broods.rooms.reduce((a, b) => a + b, 0)
    expect(Math.abs(broods!.lines.reduce((sum, l) => sum + l.number, 0) - all)).toBeLessThan(0.6)
  })
  it('a clutch is told beside the number from the day before which one in ten hatches', () => {
    const laid = (colonyId: string) => [entryOf('clutch', 5, { colonyId, event: 'laid', place: 'incubator' })]
    const { number, broods } = colonyStatements(inputFor('apple-snail', laid)).statements
    const coming = number.reasons.find(r => r.key === 'number.coming')!
    expect(coming.values.from).toBe(broods!.lines[0]!.hatch.earliestMs)
  })
  it('are none of a batch, and of animals that show none', () => {
    const batch = inputFor('neocaridina', lately)
    expect(colonyStatements({ ...batch, colony: { ...batch.colony, form: 'rearing' } }).statements.broods).toBeNull()
    expect(colonyStatements(inputFor('trumpet-snail', () => [])).statements.broods).toBeNull()
  })
  it('the model of numbers goes by the same pace', () => {
    const own = inputFor('neocaridina', id => [...slow(id), ...lately(id)])
    const { pace } = told(own)
    expect(pace.log).toBeGreaterThan(0.06)
    const advance = (input: StatementInput) =>
      questionFrom(input).question.rates.eggs.hop.reduce((sum, p, by) => sum + p * by, 0)
    expect(advance(own) / advance(inputFor('neocaridina', lately))).toBeCloseTo(Math.exp(-pace.log), 1)
  })
})

describe('what one colony has taught', () => {
  it('holds for the others of its group that are told with it, and for no other group', () => {
    const [teacher, pupil, other] = [
      inputFor('neocaridina', slow),
      inputFor('neocaridina', lately),
      inputFor('bee-shrimp', lately),
    ]
    const [t, p, o] = teachEachOther([teacher, pupil, other]).map(told)
    expect(t!.pace.broods).toBe(4)
    expect(p!.pace).toEqual(t!.pace)
    expect(o!.pace.broods).toBe(0)
    expect(told(pupil).pace.broods).toBe(0)
    expect(p!.lines[0]!.hatch.likelyMs).toBeGreaterThan(told(pupil).lines[0]!.hatch.likelyMs)
    // its own are what it gives on, not those that it was given
    expect(p!.lengths).toEqual([])
  })
  it('joins what was told of colonies that are away, and takes the place of what was told of those here', () => {
    const [a, b] = [inputFor('neocaridina', slow), inputFor('neocaridina', lately)]
    const [first] = told(a).lengths
    const before = [
      { colonyId: 'away', lengths: [first!] },
      { colonyId: a.colony.id, lengths: [first!] },
    ]
    const [, pupil] = teachEachOther([a, { ...b, taughtBy: before }])
    expect(pupil!.taughtBy!.map(t => [t.colonyId, t.lengths.length])).toEqual([
      ['away', 1],
      [a.colony.id, 4],
    ])
    // one that changed alone keeps what it was given
    expect(teachEachOther([{ ...b, taughtBy: before }])[0]!.taughtBy).toEqual(before)
  })
})
