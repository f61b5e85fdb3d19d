import { describe, expect, it } from 'vitest'
import { pairingsOf } from '#core/lines'
import { basisText, leastText, ownInbreeding } from '~/words/followedPairs'

const parentage = (id: string, sireIds: string[] = [], damIds: string[] = []) => ({ id, sireIds, damIds })
const all = [
  parentage('Flint'),
  parentage('Ash'),
  parentage('Soot', ['Flint'], ['Ash']),
  parentage('Moss', ['Flint'], ['Ash']),
  parentage('Fern', ['Flint']),
]
const name = (id: string) => id
const female = (id: string) => ({ id, sex: 'female' as const })
const male = (id: string) => ({ id, sex: 'male' as const })

describe('pairs of followed animals in words', () => {
  it('say who is related least, and where that is too much', () => {
    const related = pairingsOf([female('Moss'), female('Fern'), male('Soot')], all)
    expect(leastText(related, { inbreeding: 0.1, limit: 0.25 }, name)).toBe(
      'Least related: Fern with Soot, young inbred by 13 %.',
    )
    const past = (inbreeding: number) => leastText(related, { inbreeding, limit: 0.1 }, name)
    expect(past(0.05)).toContain('That is past your limit: bring in a mate')
    expect(past(0.4)).toContain('What the line shares comes on top, and is past your limit')
    expect(leastText(pairingsOf([female('Moss')], all), { inbreeding: 0, limit: 0.1 }, name)).toBe('')
  })
  it('say of whom a parent is not known', () => {
    expect(basisText(pairingsOf([female('Moss'), male('Soot')], all), name)).not.toContain('not written down')
    expect(basisText(pairingsOf([female('Fern'), male('Soot')], all), name)).toContain('Of Fern a parent is not')
    const many = [...'abcde'].map(id => parentage(id))
    expect(
      basisText(
        pairingsOf(
          many.map(a => female(a.id)),
          many,
        ),
        name,
      ),
    ).toContain('Of five animals a parent')
  })
  it('say what one animal is inbred by, and how sure that is', () => {
    const child = [...all, parentage('Coal', ['Soot'], ['Moss'])]
    const of = (id: string) => ownInbreeding(pairingsOf([female(id)], child).females[0]!)
    expect(of('Coal')).toMatchObject({
      value: '25 %',
      below: expect.stringContaining('what its line shares comes on top'),
    })
    expect(of('Fern')).toMatchObject({ value: '0 %', below: expect.stringContaining('may be more') })
  })
})
