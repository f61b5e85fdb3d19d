import { describe, expect, it } from 'vitest'
import { type FittedColony, stageModel } from '#core/population'
import { keptFits } from '~/workers/keptFits'
import { ask } from '../unit/population/questions'

/** A fit of which only the size matters. */
const ofBytes = (bytes: number) => ({ bytes: () => bytes }) as FittedColony

describe('kept fits', () => {
  it('stay within their memory; the one that was longest unused goes first', () => {
    const fits = keptFits(100)
    const [a, b, c] = [ofBytes(40), ofBytes(40), ofBytes(40)]
    fits.keep('a', a)
    fits.keep('b', b)
    expect(fits.get('a')).toBe(a)
    fits.keep('c', c)
    expect([fits.get('a'), fits.get('b'), fits.get('c')]).toEqual([a, undefined, c])
  })
  it('a newer fit of the same colony takes the place of the older, and its memory', () => {
    const fits = keptFits(100)
    fits.keep('a', ofBytes(60))
    fits.keep('a', ofBytes(60))
    const b = ofBytes(40)
    fits.keep('b', b)
    expect(fits.get('a')).toBeDefined()
    expect(fits.get('b')).toBe(b)
  })
  it('one that alone is too large is kept until the next one comes', () => {
    const fits = keptFits(100)
    const large = ofBytes(500)
    fits.keep('large', large)
    expect(fits.get('large')).toBe(large)
    fits.keep('small', ofBytes(10))
    expect(fits.get('large')).toBeUndefined()
    expect(fits.get('small')).toBeDefined()
  })
  it('a fit knows what it takes: cloud and checkpoints, eight bytes a number', () => {
    const [few, many] = [100, 400].map(particles => stageModel.fit(ask([]), { particles }).bytes())
    expect(few).toBeGreaterThan(100 * 13 * 8)
    expect(many! / few!).toBeCloseTo(4, 1)
  })
})
