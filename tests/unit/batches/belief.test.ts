import { describe, expect, it } from 'vitest'
import { batchBelief, batchLaw, type BatchSeen, momentOf, stagesAt, toCome, wayAt } from '#core/batches'
import { DAY_MS } from '#core/records'
import { resolvedOf } from '../population/questions'
import { NOW } from '../../make'

const heads = (young: number) => ({ females: 0, males: 0, unsexed: 0, halfGrown: 0, young })
const larvae = batchLaw(resolvedOf('amphidromous-shrimp'), { form: 'rearing', founders: heads(0) })!
const told = (looks: BatchSeen[], days = 14) =>
  batchBelief({ law: larvae, beganMs: NOW - days * DAY_MS, looks, temperatures: [], seed: 5, nowMs: NOW })
const at = (ago: number) => NOW - ago * DAY_MS

describe('try', () => {
  it('x', () => {
    const t0 = performance.now()
    const b = told([])
    const t1 = performance.now()
    const looks: BatchSeen[] = [
      { at: at(10), kind: 'sample', numbers: [40, 0, 0, 0], share: 0.05 },
      { at: at(5), kind: 'sample', numbers: [22, 10, 0, 0], share: 0.05 },
      { at: at(1), kind: 'sample', numbers: [1, 25, 0, 0], share: 0.05 },
    ]
    const c = told(looks)
    const t2 = performance.now()
    for (const x of [b, c]) console.log(stagesAt(x, NOW), wayAt(x, NOW), toCome(x), momentOf(x, () => 1), momentOf(x, c => c.hatched * 0.05))
    console.log(t1 - t0, t2 - t1, performance.now() - t2)
    expect(1).toBe(1)
  })
})
