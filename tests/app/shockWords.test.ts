import { describe, expect, it } from 'vitest'
import { defaultUnits } from '~/words/unitPrefs'
import { plain } from '~/words/numbers'
import { shockOfValueText, shockText } from '~/words/shock'

const shock = (state: 'onTarget' | 'drifting' | 'off', figure: number, key: 'ghDh' | 'volume' = 'ghDh') => ({
  state,
  figure,
  values: [{ key, from: 7, to: 9, part: figure }],
})
const text = (...args: Parameters<typeof shockText>) => plain(shockText(...args))

describe('the shock of a change', () => {
  it('says how much of what they take it is, by which value, and what to do', () => {
    expect(text(shock('onTarget', 0.4), null, defaultUnits)).toBe(
      'Shock 40 % of what they take at once, by GH: an ordinary change.',
    )
    expect(text(shock('drifting', 0.8, 'volume'), null, defaultUnits)).toMatch(/by the volume: pour it slowly/)
    expect(text(shock('off', 2), 5, defaultUnits)).toMatch(
      /^Shock 2(\.0)? times what they take at once, by GH: too much\. At most 5 L of this water at once/,
    )
    expect(text(shock('off', 2), 0.01, defaultUnits)).toMatch(/Bring the water nearer to theirs first/)
  })
  it('tells each value before and after', () => {
    expect(plain(shockOfValueText({ key: 'ghDh', from: 7, to: 9, part: 2 }, defaultUnits))).toBe('GH 7.0 → 9.0 °dH')
    expect(plain(shockOfValueText({ key: 'volume', from: 0, to: 0.2, part: 0.4 }, defaultUnits))).toBe(
      '20 % of the water',
    )
  })
})
