import { describe, expect, it } from 'vitest'
import { animalPicture, guessAnimal, practiceScene } from '#core/meter'
import { connected, edgeOf, grown, largestPart, membersOf, shrunk, withoutHoles } from '../../../core/meter/mask'

/** A mask as it is drawn: `#` belongs to it. */
const drawn = (...rows: string[]) => ({
  size: { width: rows[0]!.length, height: rows.length },
  mask: Uint8Array.from(rows.join(''), c => (c === '#' ? 1 : 0)),
})
const shown = (mask: Uint8Array, width: number) =>
  Array.from({ length: mask.length / width }, (_, y) =>
    Array.from(mask.slice(y * width, (y + 1) * width), v => (v ? '#' : '.')).join(''),
  )

describe('masks', () => {
  it('grow and shrink eight ways; the rim is no edge', () => {
    const { mask, size } = drawn('.....', '.....', '..#..', '.....', '.....')
    expect(shown(grown(mask, size), 5)).toEqual(['.....', '.###.', '.###.', '.###.', '.....'])
    expect(shown(grown(mask, size, 2), 5)).toEqual(Array(5).fill('#####'))
    expect(shrunk(grown(mask, size), size)).toEqual(mask)
    const full = drawn('###', '###')
    expect(shrunk(full.mask, full.size)).toEqual(full.mask)
  })
  it('hang together four ways, from starts that belong to them', () => {
    const { mask, size } = drawn('##..', '..##', '....')
    expect(membersOf(connected(mask, size, [0]))).toEqual([0, 1])
    expect(membersOf(connected(mask, size, [3]))).toEqual([])
    expect(membersOf(connected(mask, size, [0, 7]))).toEqual([0, 1, 6, 7])
    // no row hangs together with the next round the rim
    const rows = drawn('...#', '#...')
    expect(membersOf(connected(rows.mask, rows.size, [3]))).toEqual([3])
  })
  it('lose their holes, not the bays, also where they reach across the picture', () => {
    const ring = drawn('.###.', '.#.#.', '.###.')
    expect(shown(withoutHoles(ring.mask, ring.size), 5)).toEqual(['.###.', '.###.', '.###.'])
    const across = drawn('.....', '#####', '.....')
    expect(withoutHoles(across.mask, across.size)).toEqual(across.mask)
    const corner = drawn('##.', '#..', '...')
    expect(withoutHoles(corner.mask, corner.size)).toEqual(corner.mask)
  })
  it('have a largest part and an edge', () => {
    const two = drawn('##...', '##..#', '....#')
    expect(membersOf(largestPart(two.mask, two.size))).toEqual([0, 1, 5, 6])
    const block = drawn('.....', '.###.', '.###.', '.###.', '.....')
    expect(edgeOf(block.mask, block.size)).toEqual([6, 7, 8, 11, 13, 16, 17, 18])
  })
})

describe('where an animal may be', () => {
  it('is on the animal and not on the card, in nearly all pictures of the stand-in camera', () => {
    let on = 0
    for (let seed = 60; seed < 72; seed++) {
      const picture = animalPicture({ ...practiceScene(seed), cover: 0.7 })
      const spot = guessAnimal(picture)
      if (spot && Math.hypot(spot.x - picture.animalAt.x, spot.y - picture.animalAt.y) < 0.2 * picture.width) on++
    }
    expect(on).toBeGreaterThanOrEqual(10)
  })
  it('is nowhere on bare ground', () => {
    const bare = { width: 60, height: 40, data: new Uint8ClampedArray(60 * 40 * 4).fill(120) }
    expect(guessAnimal(bare)).toBeNull()
  })
})
