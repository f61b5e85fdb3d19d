import { describe, expect, it } from 'vitest'
import type { z } from 'zod'
import { begun, Glass, Order, Photo, Plan, Practice, Rack, Room, Scenario, ShelfItem, Source } from '#core/records'
import * as make from '../../make'

/** A field by its path, what of it is still taken, and what is not. */
type Bound = [path: string, taken: readonly unknown[], refused: readonly unknown[]]

function set(record: unknown, path: string, value: unknown): unknown {
  const copy = structuredClone(record) as Record<string, unknown>
  const parts = path.split('.')
  const last = parts.pop()!
  const at = parts.reduce((o, p) => (o[p] ??= {}) as Record<string, unknown>, copy)
  at[last] = value
  return copy
}
/** Every bound is tried from both sides, and what is refused names its field. */
function holds(shape: z.ZodType, record: object, bounds: readonly Bound[]) {
  expect(shape.safeParse(record).error).toBeUndefined()
  for (const [path, taken, refused] of bounds) {
    for (const value of taken)
      expect(shape.safeParse(set(record, path, value)).error, `${path} ${JSON.stringify(value)}`).toBeUndefined()
    for (const value of refused) {
      const { error } = shape.safeParse(set(record, path, value))
      const named = error?.issues.map(i => i.path.join('.')) ?? []
      expect(
        named.some(p => `${path}.`.startsWith(`${p}.`) || `${p}.`.startsWith(`${path}.`)),
        `${path} ${value}`,
      ).toBe(true)
    }
  }
  expect(shape.safeParse({ ...record, more: 1 }).success).toBe(false)
}
const many = (n: number, of: unknown = 'A') => Array.from({ length: n }, () => of)
const day = (days: number) => make.daysAgo(-days)

const room = make.room()
const rack = make.rack(room.id)
const glass = make.glass(room.id, rack.id)
const stamps = begun(make.nextId(), make.NOW)
const id = make.nextId()

describe('what a record may hold', () => {
  it('room', () =>
    holds(Room, { ...room, care: { days: [], walk: [] } }, [
      ['name', ['A', 'x'.repeat(60)], ['', '  ', 'x'.repeat(61)]],
      ['keepers', [[], many(20)], [many(21), [' '], ['x'.repeat(9)]]],
      ['care.days', [[0, 6], many(7, 1)], [[-1], [7], [1.5], many(8, 1)]],
      ['care.walk', [many(500, id)], [many(501, id), ['x']]],
      [
        'care.holiday',
        [{ from: day(1), to: day(2), standIn: '' }, undefined],
        [
          { from: day(2), to: day(2), standIn: '' },
          { from: day(3), to: day(2), standIn: '' },
          { from: day(1), to: day(2), standIn: 'x'.repeat(31) },
        ],
      ],
      ['currency', ['€', 'abcd', undefined], ['abcde']],
      ['rev', ['000001-0a1b2c3d'], ['1-0a1b2c3d', '000001-0A1B2C3D', 'x000001-0a1b2c3d', '000001-0a1b2c3dx']],
    ]))
  it('rack', () =>
    holds(Rack, rack, [
      ['kind', ['rack', 'windowsill', 'floor'], ['', 'shelf']],
      ['shelves', [1, 8], [0, 9, 1.5]],
    ]))
  it('glass', () =>
    holds(Glass, glass, [
      ['kind', ['tank', 'jar', 'tub', 'paludarium', 'box', 'incubator'], ['', 'bowl']],
      ['grossL', [50, 5000], [0.04, 5001]],
      [
        'fill',
        [
          { by: 'netLitres', netL: 60 },
          { by: 'height', share: 1 },
          { by: 'height', share: 0.01 },
        ],
        [
          { by: 'netLitres', netL: 0 },
          { by: 'netLitres', netL: 60.1 },
          { by: 'height', share: 0 },
          { by: 'height', share: 1.01 },
          { by: 'guess', share: 1 },
        ],
      ],
      ['place.shelf', [0, 7], [-1, 8, 0.5]],
      ['inside', [{ lengthCm: 500, widthCm: 0.1, heightCm: 1 }], [{ lengthCm: 0, widthCm: 1, heightCm: 1 }]],
      ['inside', [undefined], [{ lengthCm: 501, widthCm: 1, heightCm: 1 }, { lengthCm: 1 }]],
      [
        'substrate',
        ['none', 'sand', 'gravel', 'activeSoil', 'carbonateSand', 'earth'].map(kind => ({ kind, depthCm: 0 })),
        [
          { kind: 'sand', depthCm: -1 },
          { kind: 'sand', depthCm: 61 },
          { kind: '', depthCm: 1 },
        ],
      ],
      ['rockKg', [0, 1000, undefined], [-1, 1001]],
      ['carbonateG', [0, 200_000, undefined], [-1, 200_001]],
      ['hosts', [undefined, [{ glassId: id, from: day(0) }]], [[], [{ glassId: id, from: day(1), to: day(1) }]]],
    ]))
  it('source', () => {
    const analysis = { at: day(0), by: 'ownTest', values: {} }
    holds(Source, { ...stamps, roomId: room.id, name: 'Tap', kind: 'tap', disinfectant: 'none', analyses: [] }, [
      ['kind', ['tap', 'pure', 'rain', 'spring', 'distilled', 'seaMix'], ['', 'sea']],
      ['disinfectant', ['none', 'chlorine', 'chloramine', 'unknown'], ['', 'ozone']],
      ['analyses', [many(200, analysis)], [many(201, analysis)]],
      ...(['supplier', 'ownTest', 'label', 'assumed'] as const).map((by): Bound => [
        'analyses',
        [[{ ...analysis, by }]],
        [[{ ...analysis, by: '' }]],
      ]),
    ])
  })
  it('box on the shelf', () => {
    const mix = { by: 'mix', ghDh: 6, khDh: 3, conductivityUsCm: 300, caMgByMass: 3 }
    holds(ShelfItem, { ...stamps, roomId: room.id, name: 'Mix', content: mix, stockG: 100, price: 5 }, [
      [
        'content',
        [
          { by: 'salt', salt: 'calciumSulfateDihydrate' },
          { ...mix, ghDh: 0 },
          { ...mix, khDh: 0 },
        ],
        [{ by: 'salt' }],
      ],
      [
        'content',
        [],
        [
          { ...mix, ghDh: 0, khDh: 0 },
          { ...mix, ghDh: -1 },
          { ...mix, caMgByMass: 0 },
        ],
      ],
      ['content.ghDh', [200], [201]],
      ['content.khDh', [200], [201, -1]],
      ['content.conductivityUsCm', [0, 5000], [-1, 5001]],
      ['content.caMgByMass', [0.1, 100], [101]],
      ['stockG', [0, 1_000_000, undefined], [-1, 1_000_001]],
      ['price', [0, 100_000, undefined], [-1, 100_001]],
    ])
    const { error } = ShelfItem.safeParse({
      ...stamps,
      roomId: room.id,
      name: 'Mix',
      content: { ...mix, ghDh: 0, khDh: 0 },
    })
    expect(error?.issues[0]).toMatchObject({ path: ['content', 'ghDh'], message: 'a mineral mix raises GH or KH' })
  })
  it('order', () =>
    holds(
      Order,
      { ...stamps, roomId: room.id, colonyId: id, who: 'S. O.', number: 5, of: 'any', dueAt: day(3), state: 'open' },
      [
        ['number', [1, 10_000], [0, 1.5, 10_001]],
        ['of', ['any', 'halfGrown', 'adults', 'females', 'males'], ['', 'young']],
        ['priceEach', [0, 10_000, undefined], [-1, 10_001]],
        ['state', ['open', 'filled', 'dropped'], ['', 'gone']],
      ],
    ))
  it('scenario', () =>
    holds(Scenario, { ...stamps, colonyId: id, name: 'Warmer', change: {} }, [
      ['change.temperatureC', [2, 36, undefined], [1.9, 36.1]],
      ['change.roomFactor', [0.2, 5], [0.19, 5.1]],
      ['change.secondTankL', [0.1, 2000], [0, 2001]],
      ['change.fish', ['none', 'peaceful'], ['', 'hungry']],
      ['change.putIn', [1, 10_000], [0, 10_001, 1.5]],
      [
        'change.takeNow',
        [
          { of: 'any', number: 0.5 },
          { of: 'males', number: 10_000 },
        ],
        [{ of: 'any', number: 0 }],
      ],
      ['change.weekly', [undefined, { of: 'any', number: 1 }], [{ of: 'any', number: 10_001 }, { of: 'any' }]],
    ]))
  it('plan', () =>
    holds(Plan, { ...make.plan(room.id), sourceId: id }, [
      ['groupIds', [['a'], ['a', 'b']], [[], ['a', 'b', 'c'], [''], ['x'.repeat(41)]]],
      ['tank.fillShare', [0.01, 1], [0, 1.01]],
      ['tank.carbonateGL', [0, 100], [-1, 101]],
      ['tank.filterRatedL', [0, 5000], [-1, 5001]],
      ['tank.lightHours', [0, 24], [-1, 25]],
      ['tank.leaves', [0, 200], [-1, 201, 0.5]],
      ['starters', [[0], [10_000, 1]], [[], [1, 2, 3], [-1], [10_001], [1.5]]],
      ['done', [{}, { fill: day(1) }], [{ nothing: day(1) }, { fill: 'today' }]],
    ]))
  it('practised picture', () =>
    holds(Practice, { ...stamps, roomId: room.id, shown: 10, density: 2, stage: 'grown', found: 8, strays: 0 }, [
      ['keeper', ['A. R.', undefined, 'x'.repeat(8)], ['x'.repeat(9)]],
      ['shown', [1], [0, 1.5]],
      ['density', [0.1], [0]],
      ['stage', ['grown', 'halfGrown', 'young'], ['', 'old']],
      ['found', [0], [-1, 1.5]],
      ['strays', [0], [-1, 1.5]],
    ]))
  it('photo', () =>
    holds(Photo, { id, takenAt: day(0), widthPx: 640, heightPx: 480, jpeg: 'AAAA' }, [
      ['widthPx', [1, 1280], [0, 1281, 1.5]],
      ['heightPx', [1, 1280], [0, 1281, 1.5]],
      ['jpeg', ['A'.repeat(533_336)], ['A'.repeat(533_340), 'no picture!']],
    ]))
})
