import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { carried, type Glass, onShelf, placeAt } from '#core/records'
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
