import { describe, expect, it } from 'vitest'
import { DAY_MS, type ValueKey, WEEK_MS } from '#core/records'
import { readingSd, type ValueReading } from '#core/water'
import { pathAt, valuePath } from '../../../core/water/valuePath'
import { nextId, NOW } from '../../make'

const reading = (key: ValueKey, at: number, value: number): ValueReading => ({
  entryId: nextId(),
  at,
  value,
  sd: readingSd(key, 'liquidKit', value),
  method: 'liquidKit',
})
/** Weekly readings, the newest today. */
const weekly = (key: ValueKey, values: readonly number[]) =>
  values.map((v, i) => reading(key, NOW - (values.length - 1 - i) * WEEK_MS, v))
const pathOf = (values: readonly number[], key: ValueKey = 'khDh', breadth = 5) =>
  valuePath(key, weekly(key, values), breadth)
const pour = (at: number, value: number, keep: number, add: number, sd = 0.05): ValueReading => ({
  entryId: nextId(),
  at,
  value,
  sd: 0.3,
  method: 'reckoned',
  poured: { keep, add, sd },
})

describe('valuePath', () => {
  it('is one reading with its doubt at first, and less sure with time', () => {
    const path = pathOf([5])
    expect(pathAt(path, NOW)).toMatchObject({ level: 5, slope: 0, rises: 0.5 })
    expect(pathAt(path, NOW).sd).toBeCloseTo(0.35, 6)
    expect(pathAt(path, NOW).below(5)).toBeCloseTo(0.5, 9)
    expect(pathAt(path, NOW).below(5.35)).toBeCloseTo(0.8413, 3)
    expect(pathAt(path, NOW + 28 * DAY_MS).sd).toBeGreaterThan(0.6)
    // before the newest reading nothing is carried back
    expect(pathAt(path, NOW - WEEK_MS).sd).toBe(pathAt(path, NOW).sd)
  })
  it('tells a step from a slide, and when it was', () => {
    const stepped = pathOf([6.8, 6.8, 6.6, 6.8, 3.5, 3.5], 'ghDh', 2)
    expect(stepped.steps).toHaveLength(1)
    expect(stepped.steps[0]).toMatchObject({ since: NOW - 2 * WEEK_MS, at: NOW - WEEK_MS, to: 3.5 })
    expect(stepped.steps[0]!.from).toBeCloseTo(6.75, 1)
    expect(pathAt(stepped, NOW).level).toBeCloseTo(3.5, 0)
    expect(Math.abs(pathAt(stepped, NOW).slope)).toBeLessThan(0.1)
    const slid = pathOf([6.8, 6.4, 6, 5.6, 5.2, 4.8])
    expect(slid.steps).toEqual([])
    expect(pathAt(slid, NOW).rises).toBeLessThan(0.1)
  })
  it('passes over a slip that the next reading does not bear out', () => {
    const slip = pathOf([6, 6, 6, 2.5, 6, 6])
    expect(slip.steps).toEqual([])
    expect(pathAt(slip, NOW).level).toBeCloseTo(6, 0)
    expect(pathAt(slip, NOW).sd).toBeLessThan(0.4)
  })
  it('moves by what was poured, as mixing has it', () => {
    const before = weekly('khDh', [6, 6, 6])
    const plain = pathAt(valuePath('khDh', before, 5), NOW)
    const poured = pathAt(valuePath('khDh', [...before, pour(NOW, 4.5, 0.75, 0)], 5), NOW)
    expect(poured.level).toBeCloseTo(0.75 * plain.level, 9)
    expect(poured.sd ** 2).toBeCloseTo(0.75 ** 2 * plain.sd ** 2 + 0.05 ** 2, 9)
    const toppedUp = pathAt(valuePath('khDh', [...before, pour(NOW, 6.5, 1, 0.5)], 5), NOW)
    expect(toppedUp.level).toBeCloseTo(plain.level + 0.5, 9)
    // a fill makes everything known anew
    const filled = valuePath('khDh', [...before, { ...pour(NOW, 4, 0, 4), poured: undefined! }], 5)
    expect(pathAt(filled, NOW)).toMatchObject({ level: 4, slope: 0 })
  })
  it('a glass that its changes hold up is held, not sliding', () => {
    const log: ValueReading[] = []
    for (let week = 12; week >= 1; week--) {
      log.push(reading('nitrateMgL', NOW - week * WEEK_MS, 15), pour(NOW - week * WEEK_MS + 1, 11.25, 0.75, 0))
    }
    log.push(reading('nitrateMgL', NOW, 15))
    const path = valuePath('nitrateMgL', log, 20)
    expect(path.poured).toBeCloseTo(-3.75, 6)
    const ahead = pathAt(path, NOW + 4 * WEEK_MS)
    expect(Math.abs(ahead.slope)).toBeLessThan(0.3)
    expect(Math.abs(ahead.level - 15)).toBeLessThan(2.5)
    // three pours are no habit
    expect(valuePath('nitrateMgL', log.slice(-6), 20).poured).toBe(0)
  })
  it('learns how far this glass’s readings stray', () => {
    const calm = pathOf([5, 5.1, 5, 4.9, 5, 5.1, 5, 5])
    const wild = pathOf([5, 6, 4, 5.8, 4.2, 6, 4.1, 5.2])
    expect(calm.scatter).toBeLessThan(0.8)
    expect(wild.scatter).toBeGreaterThan(1.2)
    expect(pathAt(wild, NOW).sd).toBeGreaterThan(1.4 * pathAt(calm, NOW).sd)
  })
  it('a test that strays by a share is not trusted more where it reads low', () => {
    // a jump to 50 is no chance reading of 10, whatever the doubt at 50
    expect(pathAt(pathOf([10, 22, 35, 50], 'nitrateMgL', 20), NOW).below(25)).toBeLessThan(0.25)
  })
  it('does not look further back than a year and some weeks', () => {
    const recent = weekly('khDh', [5, 5, 5, 5])
    const old = [9, 2, 9].map((v, i) => reading('khDh', NOW - (70 + i) * WEEK_MS, v)).reverse()
    expect(valuePath('khDh', [...old, ...recent], 5)).toEqual(valuePath('khDh', recent, 5))
  })
})
