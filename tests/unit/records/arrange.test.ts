import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { carried, type Glass, onShelf, placeAt, walkOrder } from '#core/records'
import { glass, rack, room } from '../../make'

const r = room()
const left = rack(r.id, { shelves: 3, order: 0 })
const right = rack(r.id, { shelves: 2, order: 1 })
const racks = [left, right]
const at = (rackId: string, shelf: number, position: number) =>
  glass(r.id, rackId, { place: { rackId, shelf, position } })
const a = at(left.id, 2, 0)
const b = at(left.id, 2, 1)
const c = at(right.id, 1, 0)
const all = [b, c, a]
const moved = (g: Glass, direction: Parameters<typeof carried>[3]) => {
  const place = carried(racks, all, g, direction)
  return place && all.map(x => (x.id === g.id ? { ...x, place } : x))
}

describe('placeAt', () => {
  it('puts a glass between its neighbours, before all and after all', () => {
    const shelf = [at(left.id, 0, 0), at(left.id, 0, 1)]
    expect(placeAt(shelf, left.id, 0, 1).position).toBe(0.5)
    expect(placeAt(shelf, left.id, 0, 0).position).toBeLessThan(0)
    expect(placeAt(shelf, left.id, 0, 9).position).toBeGreaterThan(1)
    expect(placeAt([], left.id, 0, 0).position).toBe(0)
  })
  it('gives the wanted order whatever the index', () => {
    fc.assert(
      fc.property(fc.nat(6), fc.nat(8), (n, index) => {
        const shelf = Array.from({ length: n }, (_, i) => at(left.id, 1, i))
        const mover = glass(r.id, left.id, { place: placeAt(shelf, left.id, 1, index) })
        expect(onShelf([...shelf, mover], left.id, 1).findIndex(g => g.id === mover.id)).toBe(Math.min(index, n))
      }),
    )
  })
})

describe('carried', () => {
  it('passes the neighbour along a shelf', () => {
    expect(onShelf(moved(a, 'right')!, left.id, 2).map(g => g.id)).toEqual([b.id, a.id])
  })
  it('goes on to the next rack at the end, to its nearest shelf', () => {
    const after = moved(b, 'right')!
    expect(onShelf(after, right.id, 1).map(g => g.id)).toEqual([b.id, c.id])
    expect(onShelf(moved(c, 'left')!, left.id, 1)).toHaveLength(1)
  })
  it('stays where the room ends', () => {
    expect(carried(racks, all, a, 'left')).toBeNull()
    expect(carried(racks, all, a, 'down')).toBeNull()
    expect(carried(racks, all, c, 'down')).toBeNull()
    expect(carried(racks, all, c, 'right')).toBeNull()
    expect(carried([], all, a, 'left')).toBeNull()
  })
  it('goes up and down in its rack', () => {
    expect(carried(racks, all, a, 'up')).toMatchObject({ rackId: left.id, shelf: 1 })
  })
})

describe('a rack with neighbours on several shelves', () => {
  const middle = rack(r.id, { shelves: 2, order: 1 })
  const far = rack(r.id, { shelves: 4, order: 2 })
  const high = [0, 1].map(i => at(left.id, 0, i))
  const low = [0, 1, 2].map(i => at(left.id, 1, i))
  const last = [0, 1].map(i => at(far.id, 1, i))
  const room = [...low, ...last, ...high]
  const three = [left, middle, far]
  const place = (g: Glass, direction: Parameters<typeof carried>[3]) => carried(three, room, g, direction)
  it('the topmost shelf has nothing above it, the next one has', () => {
    expect(place(high[0]!, 'up')).toBeNull()
    expect(place(low[0]!, 'up')).toMatchObject({ rackId: left.id, shelf: 0 })
    // among those of that shelf alone, at the same place in the row
    expect(place(low[1]!, 'up')!.position).toBe(0.5)
    expect(place(low[2]!, 'up')!.position).toBeGreaterThan(1)
  })
  it('along the shelf it passes one, also to the first place', () => {
    expect(place(low[1]!, 'left')!.position).toBeLessThan(0)
    expect(place(low[2]!, 'left')!.position).toBe(0.5)
    expect(place(low[1]!, 'right')!.position).toBeGreaterThan(2)
  })
  it('to the left it comes last in the next rack, to the right first', () => {
    const beside = [left, far]
    expect(carried(beside, room, last[0]!, 'left')).toMatchObject({ rackId: left.id, shelf: 1 })
    expect(carried(beside, room, last[0]!, 'left')!.position).toBeGreaterThan(2)
    expect(carried(beside, room, low[2]!, 'right')!.position).toBeLessThan(0)
    // an empty rack between them is no end of the room
    expect(place(last[0]!, 'left')).toMatchObject({ rackId: middle.id, shelf: 1, position: 0 })
  })
})

describe('the way of a round', () => {
  const [first, second, third] = [at(left.id, 0, 1), at(left.id, 1, 0), at(right.id, 0, 0)]
  const before = at(left.id, 0, 0)
  it('goes by rack, shelf and place, however the records lie', () => {
    const order = [before, first, second, third]
    for (const glasses of [order, order.toReversed(), [third, before, second, first]])
      expect(walkOrder([right, left], glasses)).toEqual(order)
    // of two in one place the earlier id comes first, and a glass whose rack is gone comes last
    const [one, two] = [at(left.id, 0, 0), at(left.id, 0, 0)].sort((x, y) => (x.id < y.id ? -1 : 1))
    const lost = at('gone', 0, 0)
    expect(walkOrder(racks, [lost, two!, third, one!])).toEqual([one, two, third, lost])
    expect(walkOrder(racks, [one!, third, two!, lost])).toEqual([one, two, third, lost])
  })
  it('begins as the keeper laid it down', () => {
    expect(walkOrder(racks, [before, first, second, third], [third.id, 'gone', first.id])).toEqual([
      third,
      first,
      before,
      second,
    ])
  })
})
