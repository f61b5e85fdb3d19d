import type { Glass, Rack, ShelfPlace } from './room'

/** Where a glass is carried with an arrow key. */
export type Direction = 'left' | 'right' | 'up' | 'down'

/** Glasses of one shelf from left to right. */
export function onShelf(glasses: readonly Glass[], rackId: string, shelf: number): Glass[] {
  return glasses
    .filter(g => g.place.rackId === rackId && g.place.shelf === shelf)
    .sort((a, b) => a.place.position - b.place.position)
}

/**
 * The place at an index of a shelf: a position between the neighbours there, so that no other glass needs to change.
 * @param others glasses of the shelf without the one that moves, from left to right
 * @param index 0 is before the first; beyond the end means the end
 */
export function placeAt(others: readonly Glass[], rackId: string, shelf: number, index: number): ShelfPlace {
  const at = Math.min(Math.max(0, index), others.length)
  const left = others[at - 1]?.place.position
  const right = others[at]?.place.position
  const position =
    left === undefined ? (right === undefined ? 0 : right - 1) : right === undefined ? left + 1 : (left + right) / 2
  return { rackId, shelf, position }
}

/**
 * Where a glass comes to stand when it is carried one step: past its neighbour, to the next rack's shelf of the same
 * height when it stands at the end, or to the shelf above or below at the same index.
 * @param racks from left to right in the room
 * @returns the new place, or null when there is nothing in that direction
 */
export function carried(
  racks: readonly Rack[],
  glasses: readonly Glass[],
  glass: Glass,
  direction: Direction,
): ShelfPlace | null {
  const { rackId, shelf } = glass.place
  const rackIndex = racks.findIndex(r => r.id === rackId)
  const rack = racks[rackIndex]
  if (!rack) return null
  const here = onShelf(glasses, rackId, shelf)
  const index = here.findIndex(g => g.id === glass.id)
  const others = (rackId: string, shelf: number) => onShelf(glasses, rackId, shelf).filter(g => g.id !== glass.id)
  if (direction === 'up' || direction === 'down') {
    const to = shelf + (direction === 'up' ? -1 : 1)
    return to < 0 || to >= rack.shelves ? null : placeAt(others(rackId, to), rackId, to, index)
  }
  const to = index + (direction === 'left' ? -1 : 1)
  if (to >= 0 && to < here.length) return placeAt(others(rackId, shelf), rackId, shelf, to)
  const next = racks[rackIndex + (direction === 'left' ? -1 : 1)]
  if (!next) return null
  const nextShelf = Math.min(shelf, next.shelves - 1)
  return placeAt(others(next.id, nextShelf), next.id, nextShelf, direction === 'left' ? Infinity : 0)
}

/**
 * The order in which a round goes: as the keeper laid it down, then what is left as the room stands: racks from left to
 * right, shelves from the top, glasses from left to right.
 * @param walk ids in the keeper's order; ids of glasses that are gone are passed over
 */
export function walkOrder(racks: readonly Rack[], glasses: readonly Glass[], walk: readonly string[] = []): Glass[] {
  const rackAt = new Map(racks.toSorted((a, b) => a.order - b.order).map((r, i) => [r.id, i]))
  const chosen = new Map(walk.map((id, i) => [id, i]))
  const rank = (g: Glass) => chosen.get(g.id) ?? Infinity
  const place = (g: Glass) => [rackAt.get(g.place.rackId) ?? Infinity, g.place.shelf, g.place.position] as const
  return glasses.toSorted((a, b) => {
    const [ra, rb] = [rank(a), rank(b)]
    if (ra !== rb) return ra < rb ? -1 : 1
    const [pa, pb] = [place(a), place(b)]
    const differs = pa.findIndex((v, i) => v !== pb[i])
    return differs < 0 ? (a.id < b.id ? -1 : 1) : pa[differs]! < pb[differs]! ? -1 : 1
  })
}
