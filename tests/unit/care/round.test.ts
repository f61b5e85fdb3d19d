import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doing, plausibility, roundProgress, roundSums, type Snapshot, statementChanges } from '#core/care'
import { Entry, DAY_MS } from '#core/records'
import { judgeValue } from '#core/water'
import { groupOf } from '#core/groups'
import { daysAgo, death, entryOf, nextId, NOW, waterChange, withdrawal } from '../../make'
import { itemsOf, known } from './rooms'

const walk = [nextId(), nextId(), nextId(), nextId()]
const round = nextId()
const visit = (i: number, outcome: 'looked' | 'passed' = 'looked', roundId = round) =>
  entryOf('visit', 0.1, { glassId: walk[i], roundId, outcome })

describe('roundProgress', () => {
  it('goes on with the first glass that was not looked at, after the one at hand, then from the start', () => {
    const p = roundProgress(walk, round, [visit(1), visit(2, 'passed')])
    expect([p.next(), p.next(walk[0]), p.next(walk[3])]).toEqual([walk[0], walk[3], walk[0]])
    expect([p.looked.size, p.passed.size]).toEqual([1, 1])
  })
  it('knows other rounds apart, and ends', () => {
    const p = roundProgress(
      walk,
      round,
      [...walk.keys()].map(i => visit(i)),
    )
    expect(p.next()).toBeNull()
    expect(roundProgress(walk, nextId(), [visit(0)]).next()).toBe(walk[0])
  })
  it('a glass that was passed and then looked at was looked at; two devices’ visits add up in any order', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2, 3]), fc.shuffledSubarray([0, 1, 2, 3]), (mine, theirs) => {
        const visits = [...mine.map(i => visit(i)), ...theirs.map(i => visit(i, 'passed'))]
        const a = roundProgress(walk, round, visits)
        const b = roundProgress(walk, round, visits.toReversed())
        expect([...a.looked.keys()].sort()).toEqual([...b.looked.keys()].sort())
        expect([...a.passed].sort()).toEqual(
          theirs
            .filter(i => !mine.includes(i))
            .map(i => walk[i]!)
            .sort(),
        )
      }),
    )
  })
})

describe('doing', () => {
  it('every item that a touch does comes to an entry that fits its schema', () => {
    const colonyEntries = [entryOf('young', 3, { colonyId: itemsOf()[0]!.colonyId ?? nextId(), amount: 'few' })]
    for (const groupId of ['neocaridina', 'apple-snail', 'bee-shrimp', 'land-crab', 'brackish-pool-shrimp']) {
      for (const item of itemsOf({ groupId, numbers: known(40, 30, 50, [35, 45]), colonyEntries })) {
        const what = doing(item)
        if (what)
          expect(
            Entry.safeParse({ id: nextId(), at: daysAgo(0), loggedAt: daysAgo(0), ...what }).success,
            JSON.stringify(what),
          ).toBe(true)
        else expect(['test', 'count', 'young', 'topUp', 'calibration']).toContain(item.kind)
      }
    }
  })
})

describe('plausibility', () => {
  const target = groupOf('neocaridina').targets.khDh!
  const verdict = judgeValue({
    key: 'khDh',
    target,
    readings: [{ entryId: '', at: NOW - 7 * DAY_MS, value: 4, sd: 0.35, method: 'liquidKit' }],
    nowMs: NOW,
  })
  it('takes what may be, asks about what may be a slip, and refuses what cannot be', () => {
    expect([4.4, 9, 1.2].map(v => plausibility('khDh', v, verdict))).toEqual(['fine', 'fine', 'fine'])
    expect(plausibility('khDh', 22, verdict)).toBe('surprising')
    expect([41, -1].map(v => plausibility('khDh', v, verdict))).toEqual(['impossible', 'impossible'])
    expect(plausibility('ph', 71, undefined)).toBe('impossible')
    expect(plausibility('khDh', 22, undefined)).toBe('fine')
  })
  it('knows more dead than living', () => {})
})

describe('the report', () => {
  it('adds up what was seen and done', () => {
    const colonyId = nextId()
    const glassId = nextId()
    const dead = death(colonyId, 0, 2)
    const sums = roundSums([
      entryOf('molts', 0, { colonyId, number: 5 }),
      entryOf('molts', 0, { colonyId, number: 2 }),
      entryOf('berried', 0, { colonyId, number: 3 }),
      dead,
      waterChange(glassId, 0, 4.5),
      waterChange(glassId, 0, 5),
      entryOf('feeding', 0, { glassId, eaten: 'leftOver', removed: true }),
      visit(0),
      withdrawal(dead),
    ])
    expect(sums).toEqual({
      counts: { molts: 2, berried: 1, death: 1, waterChange: 2, feeding: 1 },
      molts: 7,
      berried: 3,
      dead: 2,
      young: 0,
      changedL: 9.5,
      toppedUpL: 0,
      leftOver: 1,
    })
  })
  const snapshot = (more: Partial<Snapshot> = {}): Snapshot => ({
    number: 100,
    low: 80,
    high: 120,
    numberState: 'onTarget',
    waterState: 'onTarget',
    waterKey: null,
    take: 0,
    ...more,
  })
  const changes = (before: Partial<Snapshot>, after: Partial<Snapshot>) =>
    statementChanges({ c: snapshot(before) }, [{ colonyId: 'c', snapshot: snapshot(after) }]).map(c => c.what)
  it('says what changed in the statements, and nothing when nothing did', () => {
    expect(changes({}, { number: 102 })).toEqual([])
    expect(changes({}, { number: 140, low: 130, high: 150 })).toEqual(['number'])
    expect(changes({}, { low: 95, high: 110 })).toEqual(['narrower'])
    expect(changes({}, { waterState: 'off', waterKey: 'khDh', take: 4 })).toEqual(['water', 'take'])
    expect(statementChanges({}, [{ colonyId: 'new', snapshot: snapshot() }])).toEqual([])
  })
})
