import { describe, expect, it } from 'vitest'
import { doubtText } from '~/words/entryDoubt'

describe('an odd entry as a question', () => {
  it('says the numbers, and how it is kept', () => {
    expect(doubtText({ key: 'tooManyDead', values: { n: 41, most: 40 } })).toBe(
      '41 dead? At most about 40 live here. Do it once more to keep it so.',
    )
    expect(doubtText({ key: 'tooManyBerried', values: { n: 21, most: 20 } })).toContain(
      'at most about 20 grown females',
    )
    for (const key of ['otherSpecies', 'otherLine', 'poisoned', 'uncured', 'tooManyTaken'] as const)
      expect(doubtText({ key, values: { n: 1, most: 1 } })).toMatch(/\. Do it once more to keep it so\.$/)
  })
})
