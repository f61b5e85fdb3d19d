import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { currentEntries, type Entry, readLog } from '#core/records'
import { correction, count, nextId, note, withdrawal } from '../../make'

const numbers = (entries: Entry[]) => currentEntries(entries).map(e => ('number' in e ? e.number : e.kind))

describe('currentEntries', () => {
  const colonyId = nextId()
  it('lets a correction replace what it corrects', () => {
    const wrong = count(colonyId, 5, 2140)
    const right = correction(wrong, { number: 214 })
    expect(numbers([wrong, right])).toEqual([214])
  })
  it('brings the old value back when the correction is withdrawn', () => {
    const first = count(colonyId, 5, 20)
    const second = correction(first, { number: 25 })
    expect(numbers([first, second, withdrawal(second)])).toEqual([20])
  })
  it('takes an entry back, and a withdrawal too', () => {
    const entry = count(colonyId, 5, 20)
    const taken = withdrawal(entry)
    expect(numbers([entry, taken])).toEqual([])
    expect(numbers([entry, taken, withdrawal(taken)])).toEqual([20])
  })
  it('counts animals once when two devices corrected the same entry', () => {
    const entry = count(colonyId, 5, 20)
    const here = correction(entry, { number: 21 })
    const there = correction(entry, { number: 22 })
    expect(numbers([there, entry, here])).toEqual([22])
    expect(numbers([there, entry, here, withdrawal(there)])).toEqual([21])
  })
  it('is not led in circles by a damaged file', () => {
    const a = count(colonyId, 5, 1)
    const b = correction(a, { number: 2 })
    const biting = { ...a, supersedes: b.id } as Entry
    expect(numbers([biting, b])).toEqual([2])
  })
  it('reads a chain of twenty thousand corrections', () => {
    const chain = [count(colonyId, 5, 0)]
    for (let n = 1; n < 20_000; n++)
      chain.push({ ...chain[n - 1]!, id: nextId(), supersedes: chain[n - 1]!.id, number: n } as never)
    expect(numbers(chain)).toEqual([19_999])
    expect(numbers([...chain, withdrawal(chain.at(-1)!)])).toEqual([19_998])
  })
  it('sorts by the time of the event', () => {
    expect(numbers([count(colonyId, 1, 3), note(colonyId, 9), count(colonyId, 4, 2)])).toEqual(['note', 2, 3])
  })
  it('does not depend on the order in which entries arrive', () => {
    const story = fc.array(
      fc.record({ what: fc.constantFrom('count', 'correct', 'withdraw'), of: fc.nat(12), days: fc.nat(200) }),
      { maxLength: 14 },
    )
    fc.assert(
      fc.property(story, fc.infiniteStream(fc.nat(1000)), (steps, keys) => {
        const made: Entry[] = []
        for (const { what, of, days } of steps) {
          const target = made[of % Math.max(1, made.length)]
          if (what === 'count' || !target) made.push(count(colonyId, days, days))
          else if (what === 'withdraw') made.push(withdrawal(target))
          else if (target.kind === 'count') made.push(correction(target, { number: days }))
        }
        const shuffled = made
          .map(e => ({ e, key: keys.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(x => x.e)
        expect(currentEntries(shuffled)).toEqual(currentEntries(made))
      }),
    )
  })
  it('never lets two versions of one entry stand together', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(5), { maxLength: 8 }), targets => {
        const made: Entry[] = [count(colonyId, 3, 1)]
        for (const t of targets) made.push(correction(made[t % made.length]!, { number: made.length + 1 }))
        expect(currentEntries(made)).toHaveLength(1)
      }),
    )
  })
})

describe('readLog', () => {
  it('keeps the newest of a chain of corrections', () => {
    const colonyId = nextId()
    const a = count(colonyId, 5, 1)
    const b = correction(a, { number: 2 })
    const c = correction(b, { number: 3 })
    expect(numbers([c, a, b])).toEqual([3])
    expect(numbers([c, a, b, withdrawal(c)])).toEqual([2])
  })
  it('says which withdrawal took an entry back, so that it can be undone', () => {
    const entry = count(nextId(), 5, 20)
    const first = withdrawal(entry)
    const undone = withdrawal(first)
    const second = withdrawal(entry)
    expect(readLog([entry, first, undone, second]).withdrawnBy.get(entry.id)).toEqual(second)
    expect(numbers([entry, first, undone, second, withdrawal(second)])).toEqual([20])
  })
  it('reads a correction whose original is missing as an entry of its own', () => {
    const lost = count(nextId(), 5, 20)
    expect(numbers([correction(lost, { number: 22 })])).toEqual([22])
  })
})
