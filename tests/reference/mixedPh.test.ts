import { describe, expect, it } from 'vitest'
import { carbonateConstants, MEQ_PER_DKH, mixedPh } from '#core/water'

/**
 * Mixing of two fresh waters: alkalinity and inorganic carbon are conserved (Stumm & Morgan, Aquatic Chemistry, ch. 4;
 * from memory). Here as a sum over the species without corrections for activity, solved on a fine grid of pH.
 */
function byGrid(a: { ph: number; khDh: number }, b: typeof a, share: number, temperatureC = 25): number {
  const k = carbonateConstants(temperatureC)
  const [k1, k2, kw] = [10 ** -k.pK1, 10 ** -k.pK2, 10 ** -k.pKw]
  const alkOf = (khDh: number) => (khDh * MEQ_PER_DKH) / 1000
  /** Deffeyes' way about: the carbon that goes with an alkalinity and a pH. */
  const carbon = (alkalinity: number, ph: number) => {
    const h = 10 ** -ph
    const charge = (k1 * h + 2 * k1 * k2) / (h * h + k1 * h + k1 * k2)
    return Math.max(0, alkalinity - kw / h + h) / charge
  }
  const mixed = (x: number, y: number) => (1 - share) * x + share * y
  const alkalinity = mixed(alkOf(a.khDh), alkOf(b.khDh))
  const wanted = mixed(carbon(alkOf(a.khDh), a.ph), carbon(alkOf(b.khDh), b.ph))
  let best = 3
  for (let ph = 3; ph <= 11; ph += 0.002)
    if (Math.abs(carbon(alkalinity, ph) - wanted) < Math.abs(carbon(alkalinity, best) - wanted)) best = ph
  return best
}

describe('the pH of a mixture', () => {
  it.each([
    [{ ph: 7.2, khDh: 4 }, { ph: 8.2, khDh: 8 }, 0.2],
    [{ ph: 6.5, khDh: 1 }, { ph: 8.2, khDh: 8 }, 0.2],
    [{ ph: 7.4, khDh: 5 }, { ph: 6, khDh: 0 }, 0.3],
    [{ ph: 6.2, khDh: 0 }, { ph: 7.8, khDh: 6 }, 0.1],
    [{ ph: 8.6, khDh: 3 }, { ph: 6.4, khDh: 2 }, 0.5],
    [{ ph: 9.4, khDh: 2 }, { ph: 5.4, khDh: 0 }, 0.5],
  ])('%o and %o, %d of the second', (a, b, share) => {
    // what activity is worth at these strengths: a few hundredths
    expect(Math.abs(mixedPh(a, b, share, 25) - byGrid(a, b, share))).toBeLessThan(0.06)
  })
  it('none of the second is the first, all is the second, and of one water it is its own', () => {
    const [a, b] = [
      { ph: 7.1, khDh: 3 },
      { ph: 8, khDh: 7 },
    ] as const
    expect(mixedPh(a, b, 0, 24)).toBeCloseTo(7.1, 6)
    expect(mixedPh(a, b, 1, 24)).toBeCloseTo(8, 6)
    expect(mixedPh(a, a, 0.4, 24)).toBeCloseTo(7.1, 6)
  })
  // common practice: pure water hardly moves the pH of a buffered glass, whatever its own meter reads
  it('pure water into a buffered glass moves it by hardly a tenth', () => {
    expect(Math.abs(mixedPh({ ph: 7.4, khDh: 5 }, { ph: 6, khDh: 0 }, 0.3, 24) - 7.4)).toBeLessThan(0.1)
  })
  it('buffered water decides that of a soft glass: a fifth of it does more than half of the way', () => {
    const mixed = mixedPh({ ph: 6, khDh: 0.2 }, { ph: 8, khDh: 10 }, 0.2, 24)
    expect(mixed).toBeGreaterThan(7)
    expect(mixed).toBeLessThan(8)
  })
})
