import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doing, schedule } from '#core/care'
import { groups } from '#core/groups'
import type { Entry } from '#core/records'
import { entryOf } from '../../make'
import { careOf, colonyId, glassId, itemsOf, known, NOW } from './rooms'

/** A log as it may come: any of these, any day of the last months, in any order. */
const anyLog = fc.array(
  fc.tuple(
    fc.integer({ min: 0, max: 90 * 24 }),
    fc.constantFrom(
      { kind: 'waterChange', glassId, litres: 5 },
      { kind: 'topUp', glassId, litres: 1 },
      { kind: 'feeding', glassId, food: 'pellet', portions: 3 },
      { kind: 'feeding', glassId, eaten: 'leftOver' },
      { kind: 'feeding', glassId, eaten: 'minutes' },
      { kind: 'feeding', glassId, food: 'greens' },
      { kind: 'supplement', glassId, what: 'leaves' },
      { kind: 'equipment', glassId, found: { intake: 'broken', flow: 'fine' } },
      { kind: 'equipment', glassId, found: { intake: 'fine', flow: 'fine', cover: 'fine', heater: 'fine' } },
      { kind: 'treatment', glassId, substance: 'flubendazole', activeMg: 20, netL: 50 },
      {
        kind: 'waterTest',
        glassId,
        readings: { khDh: { value: 4, method: 'liquidKit' }, ph: { value: 7, method: 'probe' } },
      },
      {
        kind: 'waterTest',
        glassId,
        readings: { ghDh: { value: 20, method: 'strip' }, nitriteMgL: { value: 0.3, method: 'liquidKit' } },
      },
      { kind: 'berried', colonyId, number: 2 },
      { kind: 'berried', colonyId, number: 0 },
      { kind: 'young', colonyId, amount: 'many' },
      { kind: 'clutch', colonyId, event: 'laid' },
      { kind: 'eggMass', colonyId, number: 1 },
      { kind: 'count', colonyId, number: 40, method: 'allSeen' },
    ),
  ),
  { maxLength: 30 },
)
const anyGroup = fc.constantFrom(...groups.map(g => g.id))
const logOf = (parts: [number, object][]) => {
  const entries = parts.map(([hours, more]) => entryOf((more as Entry).kind, hours / 24 + 0.01, more))
  return { glassEntries: entries.filter(e => 'glassId' in e), colonyEntries: entries.filter(e => 'colonyId' in e) }
}
const numbers = known(120, 60, 220, [100, 140])

describe('whatever the log', () => {
  it('nothing is due without a reason, a basis, and words for how late it may be', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, (parts, groupId) => {
        for (const i of itemsOf({ groupId, numbers, ...logOf(parts) })) {
          expect(i.why.key).toBeTruthy()
          expect(i.basis.kind).toBeTruthy()
          for (const n of [
            i.dueMs,
            i.earlyDays,
            i.lateDays,
            i.minutes,
            ...Object.values(i.why.values).filter(v => typeof v === 'number'),
          ])
            expect(Number.isFinite(n)).toBe(true)
          expect(i.lateDays).toBeGreaterThan(0)
          expect(i.minutes).toBeGreaterThan(0)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('every item has a key of its own', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, (parts, groupId) => {
        const keys = itemsOf({ groupId, numbers, ...logOf(parts) }).map(i => i.key)
        expect(new Set(keys).size).toBe(keys.length)
      }),
      { numRuns: 60 },
    )
  })
  it('doing it removes it', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, (parts, groupId) => {
        const log = logOf(parts)
        for (const item of itemsOf({ groupId, numbers, ...log })) {
          const done =
            item.kind === 'test'
              ? {
                  kind: 'waterTest' as const,
                  glassId,
                  readings: Object.fromEntries(
                    String(item.values.keys)
                      .split(' ')
                      .map(k => [
                        k,
                        {
                          value: k === 'nitriteMgL' ? 0 : k === 'ph' ? 7 : k === 'conductivityUsCm' ? 300 : 6,
                          method: 'liquidKit',
                        },
                      ]),
                  ),
                }
              : item.kind === 'count'
                ? { kind: 'count' as const, colonyId, number: 100, method: 'allSeen' }
                : item.kind === 'young'
                  ? { kind: 'young' as const, colonyId, amount: 'few' }
                  : item.kind === 'limb'
                    ? { kind: 'note' as const, colonyId, text: 'A bud shows.' }
                    : item.kind === 'secondDose'
                      ? {
                          kind: 'treatment' as const,
                          glassId,
                          substance: item.values.substance,
                          activeMg: 20,
                          netL: 50,
                        }
                      : doing(item)
          if (!done) continue
          const entry = entryOf(done.kind, 0, done)
          const after = itemsOf({
            groupId,
            numbers,
            glassEntries: [...log.glassEntries, ...('glassId' in entry ? [entry] : [])],
            colonyEntries: [...log.colonyEntries, ...('colonyId' in entry ? [entry] : [])],
          }).find(i => i.key === item.key)
          expect(
            after === undefined || after.dueMs > NOW,
            `${item.key} done ${JSON.stringify(done)}: ${JSON.stringify(after)}`,
          ).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('the order in which entries lie does not matter', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, fc.infiniteStream(fc.nat()), (parts, groupId, order) => {
        const { glassEntries, colonyEntries } = logOf(parts)
        const mixed = <T>(list: T[]) =>
          list
            .map(v => ({ v, at: order.next().value as number }))
            .sort((a, b) => a.at - b.at)
            .map(x => x.v)
        expect(
          schedule(
            careOf({ groupId, numbers, glassEntries: mixed(glassEntries), colonyEntries: mixed(colonyEntries) }),
          ),
        ).toEqual(schedule(careOf({ groupId, numbers, glassEntries, colonyEntries })))
      }),
      { numRuns: 40 },
    )
  })
})
