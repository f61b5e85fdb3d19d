import { describe, expect, it } from 'vitest'
import {
  type BredGroup,
  groupInbreedingOf,
  groupKinshipOf,
  groupKinships,
  inbreedingOf,
  inbreedingOfBox,
  kinshipOf,
  kinships,
  type Parentage,
} from '#core/lines'
import { type Random, seededRandom } from '#core/stats'

const founders = (id: string, size = 40): BredGroup => ({ id, size, sires: [], dams: [] })
/** A box: so many males and females of each generation breed the next one. */
const box = (males: number, females: number, generations: number, more: Partial<BredGroup> = {}): BredGroup[] => [
  founders('g0', males + females),
  ...Array.from({ length: generations }, (_, t) => ({
    ...{ id: `g${t + 1}`, size: males + females },
    sires: [{ groupId: `g${t}`, number: males }],
    dams: [{ groupId: `g${t}`, number: females }],
    ...more,
  })),
]
/** Real pedigrees of that box, each young with a sire and a dam by chance. */
function pedigreeOf(
  random: Random,
  { males, females, generations }: Record<'males' | 'females' | 'generations', number>,
) {
  const pick = (from: readonly string[]) => from[Math.floor(random() * from.length)]!
  const animals: Parentage[] = []
  let [sires, dams]: string[][] = [
    Array.from({ length: males }, (_, i) => `m0.${i}`),
    Array.from({ length: females }, (_, i) => `f0.${i}`),
  ]
  for (let t = 1; t <= generations; t++) {
    const young = (sex: string, n: number) => Array.from({ length: n }, (_, i) => `${sex}${t}.${i}`)
    const [nextSires, nextDams] = [young('m', males), young('f', females)]
    for (const id of [...nextSires, ...nextDams]) animals.push({ id, sireIds: [pick(sires!)], damIds: [pick(dams!)] })
    ;[sires, dams] = [nextSires, nextDams]
  }
  return { animals, last: [...sires!, ...dams!] }
}

describe('kinship of groups', () => {
  it('is that of a box, generation by generation', () => {
    for (const [males, females] of [
      [1, 1],
      [1, 8],
      [5, 20],
    ] as const) {
      const k = groupKinships(box(males, females, 8))
      const exact = inbreedingOfBox({ males, females }, 8)
      for (const [t, f] of exact.entries()) expect(groupInbreedingOf(k, `g${t + 1}`)).toBeCloseTo(f, 12)
    }
  })
  it('is the mean over pedigrees by chance', () => {
    const random = seededRandom(11)
    const shape = { males: 2, females: 5, generations: 5 }
    let [inbreeding, kinship] = [0, 0]
    const RUNS = 400
    for (let run = 0; run < RUNS; run++) {
      const { animals, last } = pedigreeOf(random, shape)
      const k = kinships(animals)
      inbreeding += last.reduce((sum, id) => sum + inbreedingOf(k, id), 0) / last.length / RUNS
      kinship += kinshipOf(k, last[0]!, last[3]!) / RUNS
    }
    const k = groupKinships(box(2, 5, 5))
    expect(groupInbreedingOf(k, 'g5')).toBeCloseTo(inbreeding, 1)
    expect(Math.abs(groupInbreedingOf(k, 'g5') - inbreeding)).toBeLessThan(0.015)
    expect(Math.abs(groupKinshipOf(k, 'g5', 'g5') - kinship)).toBeLessThan(0.015)
  })
  it('of half sibs by one sire is an eighth, of full sibs a quarter (by hand)', () => {
    const of = (sires: number, dams: number) =>
      groupKinships([
        founders('s'),
        founders('d'),
        { id: 'y', size: 30, sires: [{ groupId: 's', number: sires }], dams: [{ groupId: 'd', number: dams }] },
      ])
    expect(groupKinshipOf(of(1, 1), 'y', 'y')).toBeCloseTo(0.25, 12)
    expect(groupKinshipOf(of(1, 1000), 'y', 'y')).toBeCloseTo(0.125, 3)
    expect(groupKinshipOf(of(4, 10), 'y', 'y')).toBeCloseTo((0.5 / 4 + 0.5 / 10) / 4, 12)
    // with an animal of the fathers' glass: the father himself is one of forty, and half of the young is his
    expect(groupKinshipOf(of(1, 1), 'y', 's')).toBeCloseTo(0.5 * (0.5 / 40), 12)
    expect(groupKinshipOf(of(1, 1), 's', 'd')).toBe(0)
  })
  it('uneven males are as fewer of them', () => {
    const even = groupKinships(box(10, 10, 6))
    const uneven = groupKinships(box(10, 10, 6, { unevenness: { sires: 1, dams: 0 } }))
    const half = groupKinships(box(5, 10, 6))
    expect(groupInbreedingOf(uneven, 'g6')).toBeGreaterThan(groupInbreedingOf(even, 'g6'))
    expect(groupInbreedingOf(uneven, 'g6')).toBeCloseTo(groupInbreedingOf(half, 'g6'), 12)
    // and never fewer than one
    const one = groupKinships(box(1, 10, 3, { unevenness: { sires: 3, dams: 0 } }))
    expect(groupInbreedingOf(one, 'g3')).toBe(groupInbreedingOf(groupKinships(box(1, 10, 3)), 'g3'))
  })
  it('of young and those that they joined is that of each by its part, by hand', () => {
    const bred = { size: 30, sires: [{ groupId: 'a', number: 1 }], dams: [{ groupId: 'a', number: 4 }] }
    const young: BredGroup = { id: 'y', ...bred }
    const line = (share: number): BredGroup[] => [
      ...box(1, 2, 2).map(g => (g.id === 'g2' ? { ...g, id: 'a' } : g)),
      { ...young, stayed: { groupId: 'a', share } },
    ]
    const [apart, joined, old] = [0, 0.3, 1].map(share => groupKinships(line(share)))
    const f = (k: typeof apart, id: string) => groupInbreedingOf(k!, id)
    expect(f(joined, 'y')).toBeCloseTo(0.7 * f(apart, 'y') + 0.3 * f(apart, 'a'), 12)
    const kin = (a: string, b: string) => groupKinshipOf(apart!, a, b)
    const all = 0.49 * kin('y', 'y') + 2 * 0.7 * 0.3 * kin('y', 'a') + 0.09 * kin('a', 'a')
    expect(groupKinshipOf(joined!, 'y', 'y')).toBeCloseTo(all, 12)
    expect(groupKinshipOf(old!, 'y', 'g1')).toBeCloseTo(kin('a', 'g1'), 12)
    // an animal of that group may be the very one that stayed: one of three
    const itself = (1 + f(apart, 'a')) / 2
    expect(groupKinshipOf(old!, 'y', 'a')).toBeCloseTo(itself / 3 + (2 / 3) * kin('a', 'a'), 12)
    expect(() => groupKinships([{ ...young, sires: [], dams: [], stayed: { groupId: 'z', share: 1 } }])).not.toThrow()
    expect(() => groupKinships([...box(1, 2, 2), { ...young, stayed: { groupId: 'z', share: 1 } }])).toThrow(RangeError)
  })
  it('an outcross takes the inbreeding of its young to nothing, and half of the kinship', () => {
    const line = box(1, 6, 6)
    const k = groupKinships([
      ...line,
      founders('new'),
      { id: 'out', size: 20, sires: [{ groupId: 'new', number: 2 }], dams: [{ groupId: 'g6', number: 6 }] },
      {
        ...{ id: 'back', size: 20, dams: [{ groupId: 'g6', number: 6 }] },
        sires: [
          { groupId: 'new', number: 1 },
          { groupId: 'g6', number: 3 },
        ],
      },
    ])
    expect(groupInbreedingOf(k, 'g6')).toBeGreaterThan(0.3)
    expect(groupInbreedingOf(k, 'out')).toBe(0)
    // a fourth of the blood new: three fourths of the pairs are within the line
    expect(groupInbreedingOf(k, 'back')).toBeCloseTo(0.75 * groupKinshipOf(k, 'g6', 'g6'), 12)
    expect(groupKinshipOf(k, 'out', 'new')).toBeGreaterThan(0)
  })
  it('refuses what it cannot place', () => {
    const young = { id: 'y', size: 3, sires: [{ groupId: 'x', number: 1 }], dams: [{ groupId: 'x', number: 1 }] }
    expect(() => groupKinships([young])).toThrow(/x does not stand before/)
    expect(() => groupKinships([founders('x'), { ...young, dams: [] }])).toThrow(/y needs sires and dams/)
    const k = groupKinships([founders('x')])
    expect(() => groupKinshipOf(k, 'x', 'z')).toThrow(/z is not in the line/)
    expect(() => groupKinshipOf(k, 'a', 'x')).toThrow(/a is not in the line/)
    expect(() => groupInbreedingOf(k, 'a')).toThrow(/a is not in the line/)
  })
})
