import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inbreedingOf, kinshipOf, kinships, meanKinship, type Parentage } from '#core/lines'

const of = (id: string, sireIds: string[] = [], damIds: string[] = []): Parentage => ({ id, sireIds, damIds })

describe('kinship', () => {
  it('of parent and young is a quarter, of brothers and sisters a quarter, by one parent an eighth', () => {
    const k = kinships([of('a', ['s'], ['d']), of('b', ['s'], ['d']), of('c', ['s'], ['e'])])
    expect(kinshipOf(k, 'a', 's')).toBe(0.25)
    expect(kinshipOf(k, 'a', 'b')).toBe(0.25)
    expect(kinshipOf(k, 'a', 'c')).toBe(0.125)
    expect(kinshipOf(k, 's', 'd')).toBe(0)
    expect([inbreedingOf(k, 'a'), kinshipOf(k, 'a', 'a')]).toEqual([0, 0.5])
  })
  it('with one of two fathers is the mean of both', () => {
    const k = kinships([of('a', ['s', 't'], ['d']), of('b', ['s'], ['d']), of('own', ['s', 't'], ['a'])])
    expect(kinshipOf(k, 'a', 's')).toBe(0.125)
    expect(kinshipOf(k, 'a', 't')).toBe(0.125)
    expect(kinshipOf(k, 'a', 'd')).toBe(0.25)
    // the dam's half brother in three of four, and full brother in one of two ways
    expect(kinshipOf(k, 'a', 'b')).toBe(0.125 + 0.5 * 0.5 * 0.25)
    // her own father may be the father of her young: each with one in two
    expect(inbreedingOf(k, 'own')).toBe(0.125)
  })
  it('of a side that nobody knows is that of a founder, each time another one', () => {
    const k = kinships([of('a', [], ['d']), of('b', [], ['d'])])
    expect(kinshipOf(k, 'a', 'b')).toBe(0.125)
  })
  it('does not go by the order in which animals stand', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 12 }),
        fc.integer(),
        (parents, seed) => {
          const animals = parents.map(([s, d], i) => (i < 2 ? of(`x${i}`) : of(`x${i}`, [`x${s % i}`], [`x${d % i}`])))
          const mixed = animals.map((a, i) => [(i * 7 + seed) % 13, a] as const).sort((a, b) => a[0] - b[0])
          const [one, other] = [kinships(animals), kinships(mixed.map(m => m[1]))]
          const ids = animals.map(a => a.id)
          for (const a of ids) for (const b of ids) expect(kinshipOf(one, a, b)).toBe(kinshipOf(other, a, b))
          // nobody is more related than to himself, nor less than not at all
          for (const a of ids) {
            expect(inbreedingOf(one, a)).toBeGreaterThanOrEqual(0)
            expect(inbreedingOf(one, a)).toBeLessThan(1)
          }
          expect(meanKinship(one, ids)).toBeGreaterThan(0)
        },
      ),
    )
  })
  it('refuses who is its own ancestor, and whom it does not know', () => {
    expect(() => kinships([of('a', ['b']), of('b', [], ['a'])])).toThrow(/a is its own ancestor/)
    expect(() => kinships([of('a', ['a'])])).toThrow(/own ancestor/)
    const k = kinships([of('a')])
    expect(() => kinshipOf(k, 'a', 'z')).toThrow(/z is not in the pedigree/)
    expect(() => kinshipOf(k, 'y', 'a')).toThrow(/y is not in the pedigree/)
  })
  it('of two grandparents that are the same is no circle', () => {
    const k = kinships([of('c', ['a'], ['b']), of('a', ['s']), of('b', ['s'])])
    expect(inbreedingOf(k, 'c')).toBe(0.125)
  })
  it('goes down a line of a thousand generations', () => {
    const line = Array.from({ length: 1000 }, (_, i) => of(`g${i}`, i > 0 ? [`g${i - 1}`] : [], [`d${i}`]))
    const k = kinships(line.toReversed())
    expect(kinshipOf(k, 'g999', 'g998')).toBe(0.25)
    expect(k.rowOf.size).toBe(2000)
  })
})
