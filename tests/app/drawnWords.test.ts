import { describe, expect, it } from 'vitest'
import type { BandPoint } from '#core/population'
import { DAY_MS, WEEK_MS } from '#core/records'
import { curingDrawing } from '~/words/curing'
import { boxLines, waterLines } from '~/words/poured'
import { defaultUnits } from '~/words/unitPrefs'
import { takeCourse } from '~/words/takeCourse'
import { NOW } from '../make'

describe('the half year of a weekly take, drawn', () => {
  const fan = (end: number): BandPoint[] =>
    Array.from({ length: 27 }, (_, w) => {
      const p50 = 100 + ((end - 100) * w) / 26
      return { at: NOW + w * WEEK_MS, p10: p50 * 0.8, p25: p50 * 0.9, p50, p75: p50 * 1.1, p90: p50 * 1.2 }
    })
  const drawn = takeCourse({ of: 'any', weekly: 3, taking: fan(90), leaving: fan(250) }, 40, NOW)
  it('is the middle with its likely range, beside none taken, over what must stay', () => {
    expect(drawn.title).toBe('animals, if 3 go every week')
    expect(drawn.points[26]).toEqual({ x: 26, y: 90 })
    expect(drawn.range[26]).toEqual({ low: 72, high: 108 })
    expect(drawn.beside).toMatchObject({ text: 'none taken' })
    expect(drawn.beside.points[26]).toEqual({ x: 26, y: 250 })
    expect(drawn.limit).toEqual({ y: 40, text: '40 must stay' })
    expect(drawn.marks.map(m => m.x)).toEqual([0, 8, 16, 26])
  })
  it('says in words what it shows', () => {
    expect(drawn.summary).toMatch(
      /^By .+ about 90 would be left \(likely 72 to 108\), instead of 250 \(likely 200 to 300\) if none go\.$/,
    )
    const seldom = takeCourse({ of: 'any', weekly: 0.5, taking: fan(90), leaving: fan(250) }, 40, NOW)
    expect(seldom.title).toBe('animals, if one every 2 weeks goes')
  })
})

describe('a curing, drawn', () => {
  const startedMs = NOW - 28 * DAY_MS
  const readings = (values: readonly number[]) =>
    values.map((value, i) => ({
      entryId: '',
      at: startedMs + (i - 1) * 7 * DAY_MS,
      value,
      sd: 0.1,
      method: 'liquidKit' as const,
    }))
  const input = {
    startedMs,
    nowMs: NOW,
    ammonia: readings([9, 0.5, 2, 1, 0]),
    nitrite: readings([9, 0, 0.3, 1.5, 0.2]),
    earliestReadyMs: startedMs + 6 * WEEK_MS,
  }
  it('shows ammonia and nitrite since the fill against what counts as none, and the earliest day', () => {
    const drawn = curingDrawing(input)!
    expect(drawn.points).toEqual([
      { x: 0, y: 0.5 },
      { x: 7, y: 2 },
      { x: 14, y: 1 },
      { x: 21, y: 0 },
    ])
    expect(drawn.beside.points.map(p => p.y)).toEqual([0, 0.3, 1.5, 0.2])
    expect(drawn.limit.y).toBe(0.1)
    expect(drawn.marks.map(m => m.x)).toEqual([0, 42])
    expect(drawn.now).toBe(28)
    expect(drawn.summary).toMatch(
      /^Ammonia was highest with 2\.00 mg\/L on .+ and is 0\.00 now\. Nitrite .+ 1\.50 .+ 0\.20/,
    )
  })
  it('waits for two tests of each', () => {
    expect(curingDrawing({ ...input, nitrite: readings([9, 0]) })).toBeNull()
    expect(curingDrawing({ ...input, ammonia: [] })).toBeNull()
  })
})

describe('what was poured lately', () => {
  const poured = {
    waters: [
      { name: 'Tap', litres: 120 },
      { name: 'Pure water', litres: 30 },
    ],
    unnamedL: 240,
    boxes: [
      { itemId: 'a', name: 'Mix', grams: 24 },
      { itemId: 'b', name: 'Salt', grams: 6 },
      { itemId: 'c', name: 'Old box', grams: 0.5 },
      { itemId: null, name: 'Pinch', grams: 1 },
    ],
  }
  it('stands by water against the most used one, what nobody named last', () => {
    expect(waterLines(poured, 12, defaultUnits)).toEqual([
      { name: 'Tap', amount: '120 L', aWeek: '10 L a week', share: 0.5 },
      { name: 'Pure water', amount: '30 L', aWeek: '2.5 L a week', share: 0.125 },
      { name: 'without saying which', amount: '240 L', aWeek: '20 L a week', share: 1 },
    ])
    expect(waterLines({ ...poured, unnamedL: 0 }, 12, defaultUnits).map(w => w.share)).toEqual([1, 0.25])
    expect(waterLines({ waters: [], unnamedL: 0, boxes: [] }, 12, defaultUnits)).toEqual([])
    expect(waterLines(poured, 12, { ...defaultUnits, volume: 'usGal' })[0]!.amount).toBe('32 US gal')
  })
  it('says how long a box lasts at that pace, where its stock was written down', () => {
    const left = new Map([
      ['a', 40],
      ['b', 500],
    ])
    expect(boxLines(poured, 12, left).map(b => b.lasts)).toEqual([
      'lasts about 20 weeks more',
      'lasts for years',
      '',
      '',
    ])
    expect(boxLines(poured, 12, left)[0]).toMatchObject({ amount: '24 g', aWeek: '2.0 g a week' })
  })
})
