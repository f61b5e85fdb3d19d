import { describe, expect, it } from 'vitest'
import { breathe } from '~/workers/breathe'
import { gathering, takeNext } from '~/workers/telling'

describe('what is told', () => {
  it('is given together with what comes in within a tenth of a second', () => {
    let now = 0
    const given: string[][] = []
    const { add, flush } = gathering<string>(
      some => given.push(some),
      () => now,
    )
    add('a')
    now = 60
    add('b')
    expect(given).toEqual([])
    now = 101
    add('c')
    expect(given).toEqual([['a', 'b', 'c']])
    add('d')
    flush()
    flush()
    expect(given).toEqual([['a', 'b', 'c'], ['d']])
  })
  it('is given at once when the keeper looks at it', () => {
    const given: string[][] = []
    const { add } = gathering<string>(
      some => given.push(some),
      () => 0,
    )
    add('a')
    add('b', true)
    expect(given).toEqual([['a', 'b']])
  })
  it('begins with what is under the keeper’s eyes, and goes on in order', () => {
    const waiting = ['a', 'b', 'c', 'd'].map(colonyId => ({ colonyId }))
    const eyes = ['c', 'c', 'd', '']
    expect(eyes.map(under => takeNext(waiting, under).colonyId)).toEqual(['c', 'a', 'd', 'b'])
    expect(waiting).toEqual([])
  })
  it('lets messages in between', async () => {
    let heard = false
    setTimeout(() => (heard = true))
    for (let i = 0; i < 50 && !heard; i++) await breathe()
    expect(heard).toBe(true)
  })
})
