import { describe, expect, it } from 'vitest'
import { DAY_MS, type Entry } from '#core/records'
import { colonyStatements, offeredToday } from '#core/statements'
import { addition, clutch, count, daysAgo, inputOf, NOW, smallRoom } from '../../make'

const heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
const tell = (s: ReturnType<typeof smallRoom>, entries: Entry[]) => colonyStatements(inputOf(s, entries)).statements
const keys = (list: readonly { key: string }[]) => list.map(m => m.key)

describe('a batch is no colony', () => {
  const pool = smallRoom({
    colony: { groupId: 'pool-branchiopod', startedAt: daysAgo(20), founders: { ...heads, young: 90 } },
  })
  it('has no safe take, and that fewer are there by the day is no alarm', () => {
    const s = tell(pool, [count(pool.colony.id, 12, 70), count(pool.colony.id, 5, 30), count(pool.colony.id, 1, 14)])
    expect(s.surplus.conclusion.key).toBe('surplus.ofBatch')
    expect(offeredToday(s)).toBe(0)
    expect(s.heading.state).not.toBe('off')
    // a sudden end asks nobody
    expect(tell(pool, [count(pool.colony.id, 12, 70), count(pool.colony.id, 0.1, 2)]).population.asks).toBeNull()
  })
  it('is over when none are left: nobody is asked to count, and it can be ended', () => {
    const ends = [70, 25, 6, 1, 0, 0].map((n, i) => count(pool.colony.id, [12, 7, 4, 3, 2, 0.1][i]!, n))
    const s = tell(pool, ends)
    expect(s.number).toMatchObject({ state: 'onTarget', conclusion: { key: 'number.over' } })
    expect(keys(s.number.actions)).toEqual(['number.endBatch'])
  })
  it('so is a rearing of animals that breed elsewhere', () => {
    const rearing = smallRoom({
      colony: { form: 'rearing', startedAt: daysAgo(20), founders: { ...heads, young: 90 } },
    })
    expect(tell(rearing, []).surplus.conclusion.key).toBe('surplus.ofBatch')
  })
})

describe('what is coming is told apart from what is here', () => {
  const snails = smallRoom({
    colony: { groupId: 'apple-snail', founders: { ...heads, females: 20, males: 16 } },
  })
  const { id } = snails.colony
  const laid = clutch(id, 6, { event: 'laid', place: 'inPlace' })
  const moved = clutch(id, 5, { event: 'moved', place: 'incubator', clutchId: laid.id })
  it('a clutch that was moved into the incubator is no part of the number', () => {
    const without = tell(snails, [count(id, 2, 30)])
    const s = tell(snails, [count(id, 2, 30), laid, moved])
    const [coming] = s.number.reasons.filter(r => r.key === 'number.coming')
    expect(coming!.values.place).toBe('incubator')
    expect(coming!.values.number).toBeGreaterThan(50)
    expect(Number(coming!.values.from)).toBeGreaterThan(NOW - 6 * DAY_MS)
    expect(s.population.now.value).toBe(without.population.now.value)
  })
  it('what hatched there waits until it is put in', () => {
    const hatched = clutch(id, 1, { event: 'hatched', place: 'incubator', clutchId: laid.id, young: 130 })
    const waiting = (more: Entry[]) =>
      tell(snails, [count(id, 2, 30), laid, moved, hatched, ...more]).number.reasons.find(
        r => r.key === 'number.waiting',
      )
    expect(waiting([])!.values).toMatchObject({ number: 130, place: 'incubator' })
    expect(waiting([addition(id, 0.5, 40)])!.values.number).toBe(90)
    expect(waiting([addition(id, 0.5, 130)])).toBeUndefined()
  })
  it('a lost clutch is not', () => {
    const lost = clutch(id, 1, { event: 'lost', clutchId: laid.id })
    expect(keys(tell(snails, [count(id, 2, 30), laid, moved, lost]).number.reasons)).not.toContain('number.coming')
  })
})
