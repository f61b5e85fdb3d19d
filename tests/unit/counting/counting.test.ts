import { describe, expect, it } from 'vitest'
import {
  findBlobs,
  foundShare,
  halfLength,
  hitRateOf,
  type PictureStage,
  scoreMarks,
  tankPicture,
} from '#core/counting'
import { begun, type Practice } from '#core/records'
import { nextId, NOW } from '../../make'

const scene = (animals: number, more: object = {}) => ({
  width: 480,
  height: 320,
  animals,
  stage: 'grown' as PictureStage,
  seed: 3,
  frame: 0,
  ...more,
})

describe('the stand-in camera', () => {
  it('gives the same picture for the same scene, with as many animals as were asked for', () => {
    const a = tankPicture(scene(12))
    expect(a.animals).toHaveLength(12)
    expect(a.data).toEqual(tankPicture(scene(12)).data)
    expect(a.data).not.toEqual(tankPicture(scene(12, { seed: 4 })).data)
    expect(a.animals.every(p => p.x >= 0 && p.x <= 480 && p.y >= 0 && p.y <= 320)).toBe(true)
  })
  it('in the next frame animals have moved, plants have not', () => {
    const a = tankPicture(scene(12))
    const b = tankPicture(scene(12, { frame: 1 }))
    expect(b.animals).not.toEqual(a.animals)
    // a green pixel of a plant in front stays where it is
    const plants = (p: typeof a) =>
      Array.from({ length: 480 * 320 }, (_, i) => i).filter(
        i => p.data[4 * i]! < 50 && p.data[4 * i + 1]! > 70 && p.data[4 * i + 1]! < 100,
      )
    const both = new Set(plants(b))
    expect(plants(a).length).toBeGreaterThan(200)
    expect(plants(a).filter(i => both.has(i)).length / plants(a).length).toBeGreaterThan(0.9)
  })
  it('an empty tank has no animal', () => {
    expect(tankPicture(scene(0)).animals).toEqual([])
    expect(findBlobs(tankPicture(scene(0)), { threshold: 0.15 }).blobs).toEqual([])
  })
  it('refuses pictures without size and half animals', () => {
    expect(() => tankPicture(scene(2, { width: 4 }))).toThrow(/16 px/)
    expect(() => tankPicture(scene(2.5))).toThrow(/whole number/)
  })
})

describe('suggestions', () => {
  it.each(['grown', 'halfGrown', 'young'] as const)(
    'finds nine of ten %s animals, with few marks on nothing',
    stage => {
      let found = 0
      let strays = 0
      for (let seed = 1; seed <= 4; seed++) {
        const p = tankPicture({ width: 900, height: 600, animals: 30, stage, seed, frame: 0 })
        const score = scoreMarks(findBlobs(p).blobs, p.animals, halfLength[stage] * 1.3)
        found += score.found
        strays += score.strays
      }
      expect(found / 120).toBeGreaterThan(0.9)
      expect(strays / 120).toBeLessThan(0.25)
    },
  )
  it('splits animals that touch', () => {
    const p = { width: 480, height: 120, data: new Uint8ClampedArray(480 * 120 * 4).fill(130) }
    const dot = (cx: number, cy: number) => {
      for (let y = -7; y <= 7; y++)
        for (let x = -7; x <= 7; x++)
          if (x * x + y * y <= 49) p.data.set([200, 40, 30, 255], 4 * ((cy + y) * 480 + cx + x))
    }
    for (const x of [30, 60, 90, 120]) dot(x, 30)
    dot(100, 90)
    dot(112, 90)
    const { blobs } = findBlobs(p, { threshold: 0.2 })
    expect(blobs).toHaveLength(6)
    expect(
      blobs
        .filter(b => Math.abs(b.y - 90) < 4)
        .map(b => b.x)
        .sort((a, b) => a - b)
        .map(x => Math.round(x / 6)),
    ).toEqual([17, 19])
  })
  it('a larger smallest animal leaves specks out', () => {
    const p = tankPicture(scene(20))
    expect(findBlobs(p, { threshold: 0.1, smallest: 200 }).blobs.length).toBeLessThan(
      findBlobs(p, { threshold: 0.1, smallest: 8 }).blobs.length,
    )
  })
  it('refuses bytes that do not fit', () => {
    expect(() => findBlobs({ width: 10, height: 10, data: new Uint8ClampedArray(8) })).toThrow(/400 bytes/)
  })
})

describe('scoreMarks', () => {
  it('each animal once, each mark once', () => {
    const animals = [
      { x: 10, y: 10 },
      { x: 50, y: 50 },
    ]
    expect(
      scoreMarks(
        [
          { x: 11, y: 10 },
          { x: 9, y: 10 },
          { x: 90, y: 90 },
        ],
        animals,
        5,
      ),
    ).toEqual({ found: 1, strays: 2, missed: [{ x: 50, y: 50 }] })
    expect(scoreMarks([], animals, 5).missed).toHaveLength(2)
  })
})

describe('the hit rate', () => {
  const one = (shown: number, found: number, more: Partial<Practice> = {}): Practice => ({
    ...begun(nextId(), NOW),
    roomId: nextId(),
    shown,
    density: shown / 6,
    stage: 'grown',
    found,
    strays: 0,
    ...more,
  })
  it('is learnt from what was found', () => {
    const r = hitRateOf([one(40, 30), one(42, 31), one(38, 29)], 'grown', 40 / 6)!
    expect(r.share).toBeGreaterThan(0.7)
    expect(r.share).toBeLessThan(0.8)
    expect(r.pictures).toBe(3)
  })
  it('more pictures, less doubt', () => {
    const few = hitRateOf([one(40, 30)], 'grown', 40 / 6)!
    const many = hitRateOf(
      Array.from({ length: 8 }, () => one(40, 30)),
      'grown',
      40 / 6,
    )!
    expect(many.sdLog).toBeLessThan(few.sdLog)
  })
  it('goes by density: in a crowd fewer are found', () => {
    const practice = [one(8, 8), one(8, 8), one(90, 60), one(95, 62)]
    expect(hitRateOf(practice, 'grown', 9 / 6)!.share).toBeGreaterThan(
      hitRateOf(practice, 'grown', 90 / 6)!.share + 0.15,
    )
  })
  it('what was found in all has an exact range', () => {
    const f = foundShare([one(10, 9), one(10, 10)])!
    expect(f.share).toBe(0.95)
    // Clopper & Pearson for 19 of 20 at 80 %, printed tables
    expect([f.low, f.high].map(x => Math.round(x * 1000))).toEqual([819, 995])
    expect(foundShare([])).toBeNull()
  })
  it('goes by stage, marks on nothing count, and nothing practised is nothing known', () => {
    expect(hitRateOf([one(20, 18)], 'young', 3)).toBeNull()
    expect(hitRateOf([one(20, 18, { strays: 6 })], 'grown', 20 / 6)!.share).toBeGreaterThan(1)
  })
})
