import { describe, expect, it } from 'vitest'
import { type Inheritance, inheritanceOf, type ThrowbackLook } from '#core/lines'
import { seededRandom } from '#core/stats'

const look = (thrownBack: number, looked: number, culled = true): ThrowbackLook => ({ thrownBack, looked, culled })
const chanceOf = (looks: ThrowbackLook[], how: Inheritance) => inheritanceOf(looks).find(t => t.how === how)!.chance
const nextOf = (looks: ThrowbackLook[], how: Inheritance) => inheritanceOf(looks).find(t => t.how === how)!.next

describe('animals that fall back', () => {
  it('by one recessive gene: 4 %, 2.8 % and 2 % where they do not breed (Falconer & Mackay, ch. 2)', () => {
    const many = 10_000
    const looks = [look(400, many), look(Math.round(many / 36), many), look(Math.round(many / 49), many)]
    expect(chanceOf(looks, 'recessive')).toBeGreaterThan(0.99)
    // the fourth: one in eight of one in eight
    expect(nextOf(looks, 'recessive').value).toBeCloseTo(1 / 64, 3)
    // left to breed, they stay as many
    expect(nextOf([look(400, many, false)], 'recessive').value).toBeCloseTo(0.04, 2)
  })
  it('one in two and one in four of a crossing are told from each other by few', () => {
    expect(chanceOf([look(21, 40, false)], 'oneInTwo')).toBeGreaterThan(0.7)
    expect(chanceOf([look(10, 40, false)], 'oneInFour')).toBeGreaterThan(0.7)
    expect(chanceOf([look(21, 40, false)], 'oneInFour')).toBeLessThan(0.01)
    expect(nextOf([look(10, 40, false)], 'oneInFour')).toEqual({ low: 0.25, value: 0.25, high: 0.25 })
  })
  it('of many things fall the faster the more of it is inherited, and from a great share at once', () => {
    const many = 4000
    // by hand: 30 % under the line, a heritability of 0.4: the mean of those kept lies 0.497 above, that of the young
    // 0.199, and 23.5 % fall under
    const looks = [look(0.3 * many, many), look(Math.round(0.2346 * many), many)]
    expect(chanceOf(looks, 'many')).toBeGreaterThan(0.99)
    const next = nextOf(looks, 'many')
    expect(next.value).toBeLessThan(0.2346)
    expect(next.value).toBeGreaterThan(0.17)
  })
  it('a few tell nothing, and what it could be next is wide', () => {
    const told = inheritanceOf([look(0, 4)])
    expect(told.reduce((sum, t) => sum + t.chance, 0)).toBeCloseTo(1, 12)
    for (const t of told) expect(t.chance).toBeLessThan(0.6)
    const { low, high } = nextOf([look(0, 4)], 'recessive')
    expect(high - low).toBeGreaterThan(0.1)
  })
  it('is found in lines of which it is known, more often than not', () => {
    const random = seededRandom(7)
    const drawn = (share: number, n: number) => Array.from({ length: n }, () => random()).filter(u => u < share).length
    let [found, held] = [0, 0]
    const LINES = 60
    for (let i = 0; i < LINES; i++) {
      const q0 = 0.3 + 0.3 * random()
      const looks = Array.from({ length: 5 }, (_, t) => look(drawn((q0 / (1 + t * q0)) ** 2, 100), 100))
      const [best] = inheritanceOf(looks).toSorted((a, b) => b.chance - a.chance)
      if (best!.how === 'recessive') found++
      const truth = (q0 / (1 + 5 * q0)) ** 2
      const { low, high } = nextOf(looks, 'recessive')
      if (low <= truth && truth <= high) held++
    }
    expect(found / LINES).toBeGreaterThan(0.6)
    // eight in ten, give or take two standard errors
    expect(held / LINES).toBeGreaterThan(0.69)
    expect(held / LINES).toBeLessThan(0.92)
  })
  it('refuses nothing, and more than there were', () => {
    expect(() => inheritanceOf([])).toThrow(/a generation/)
    expect(() => inheritanceOf([look(5, 4)])).toThrow(/5 of 4/)
  })
})
