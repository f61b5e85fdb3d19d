import { describe, expect, it } from 'vitest'
import { type Asked, askOnce } from '~/forms/askOnce'

const odd = (key: string, never = false): Asked => ({ key, text: `${key}?`, never })

describe('what is odd', () => {
  it('is asked about once; the same again is kept', () => {
    const ask = askOnce()
    expect([ask([odd('a')]), ask([odd('a')])]).toEqual(['a?', ''])
    // what was kept is asked about again the next time
    expect(ask([odd('a')])).toBe('a?')
  })
  it('in a step of several is one question, wherever it stands among what is fine', () => {
    const ask = askOnce()
    expect([ask([odd('a'), odd('b')]), ask([odd('a'), odd('b')])]).toEqual(['a?', ''])
    // what changed in between is another step
    expect([ask([odd('a')]), ask([odd('b')]), ask([odd('b')])]).toEqual(['a?', 'b?', ''])
    expect([ask([odd('a')]), ask([]), ask([odd('a')])]).toEqual(['a?', '', 'a?'])
  })
  it('is refused for ever where it never is kept, and told before all else', () => {
    const ask = askOnce()
    const step = [odd('a'), odd('crabs', true)]
    expect([ask(step), ask(step), ask(step)]).toEqual(['crabs?', 'crabs?', 'crabs?'])
  })
})
