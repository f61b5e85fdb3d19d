import { describe, expect, it } from 'vitest'
import { begun, Colony, movedTo, nextRev, presentGlassId, Rev, stayAt, Stays, waterOf, watersOf } from '#core/records'
import { colony, daysAgo, glass, nextId, NOW } from '../../make'

const DAY = 86_400_000
const roomId = nextId()
const [a, b, host] = [glass(roomId, nextId()), glass(roomId, nextId()), glass(roomId, nextId(), { name: 'Host' })]
const glasses = (...list: (typeof a)[]) => new Map(list.map(g => [g.id, g]))

describe('stays', () => {
  const first = [{ glassId: a.id, from: daysAgo(100) }]
  it('a move ends one and begins another; what was before stays where it was', () => {
    const moved = movedTo(first, b.id, daysAgo(10))
    expect(moved).toEqual([
      { glassId: a.id, from: daysAgo(100), to: daysAgo(10) },
      { glassId: b.id, from: daysAgo(10) },
    ])
    expect(presentGlassId({ stays: moved })).toBe(b.id)
    expect(stayAt(moved, NOW - 11 * DAY).glassId).toBe(a.id)
    expect(stayAt(moved, NOW - 9 * DAY).glassId).toBe(b.id)
    expect(stayAt(moved, NOW - 900 * DAY).glassId).toBe(a.id)
    expect(Stays.safeParse(moved).success).toBe(true)
  })
  it('a move to where it is changes nothing, and one that is put right replaces the last', () => {
    expect(movedTo(first, a.id, daysAgo(1))).toEqual(first)
    const moved = movedTo(first, b.id, daysAgo(10))
    expect(movedTo(moved, host.id, daysAgo(20))).toEqual([
      { glassId: a.id, from: daysAgo(100), to: daysAgo(20) },
      { glassId: host.id, from: daysAgo(20) },
    ])
    // back at the very moment of the move: as if it had never left
    expect(movedTo(moved, a.id, daysAgo(10))).toEqual(first)
  })
  it.each([
    [
      'overlap',
      [
        { glassId: a.id, from: daysAgo(9), to: daysAgo(2) },
        { glassId: b.id, from: daysAgo(5) },
      ],
    ],
    [
      'an open one before the last',
      [
        { glassId: a.id, from: daysAgo(9) },
        { glassId: b.id, from: daysAgo(5) },
      ],
    ],
    ['one that ends before it begins', [{ glassId: a.id, from: daysAgo(5), to: daysAgo(9) }]],
    ['none', []],
  ])('are refused with %s', (_name, stays) => {
    expect(Stays.safeParse(stays).success).toBe(false)
  })
})

describe('the water of a glass', () => {
  const box = glass(roomId, nextId(), {
    kind: 'box',
    hosts: [
      { glassId: a.id, from: daysAgo(50), to: daysAgo(20) },
      { glassId: host.id, from: daysAgo(20) },
    ],
  })
  it('is its own, or that of the host in which it hung at the time', () => {
    const known = glasses(a, host, box)
    expect(waterOf(a, NOW, known)).toBe(a)
    expect(waterOf(box, NOW, known)).toBe(host)
    expect(waterOf(box, NOW - 30 * DAY, known)).toBe(a)
    expect(waterOf(box, NOW, glasses(box))).toBe(box)
  })
  it('does not run in circles in damaged records', () => {
    const [x, y] = [glass(roomId, nextId(), { kind: 'box' }), glass(roomId, nextId(), { kind: 'box' })]
    x.hosts = [{ glassId: y.id, from: daysAgo(9) }]
    y.hosts = [{ glassId: x.id, from: daysAgo(9) }]
    expect([x.id, y.id]).toContain(waterOf(x, NOW, glasses(x, y)).id)
  })
  it('of a colony follows its stays and the hosts of its boxes', () => {
    const c = colony(a.id, {
      stays: [
        { glassId: b.id, from: daysAgo(90), to: daysAgo(40) },
        { glassId: box.id, from: daysAgo(40) },
      ],
    })
    expect(watersOf(c, glasses(a, b, host, box)).map(w => [w.water.id, w.from, w.to])).toEqual([
      [b.id, daysAgo(90), daysAgo(40)],
      [a.id, daysAgo(40), daysAgo(20)],
      [host.id, daysAgo(20), undefined],
    ])
    expect(watersOf(c, glasses(box, host)).map(w => w.water.id)).toEqual([box.id, host.id])
  })
})

describe('versions of records', () => {
  it('follow each other, and sort as text', () => {
    const id = nextId()
    const first = begun(id, NOW).rev
    const second = nextRev(first, nextId())
    expect([first.slice(0, 6), second.slice(0, 6)]).toEqual(['000001', '000002'])
    expect(second > first).toBe(true)
    expect(Rev.safeParse(second).success).toBe(true)
    expect(nextRev('000009-00000000', id) < nextRev('000010-00000000', id)).toBe(true)
    expect(() => nextRev('999999-00000000', id)).toThrow(RangeError)
  })
  it('a colony without founders is a batch, a rearing, or a part of another', () => {
    const none = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
    const c = colony(a.id, { founders: none })
    expect(Colony.safeParse(c).success).toBe(false)
    expect(Colony.safeParse({ ...c, form: 'batch' }).success).toBe(true)
    expect(Colony.safeParse({ ...c, fromColonyId: nextId() }).success).toBe(true)
  })
})
