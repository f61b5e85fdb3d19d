import { describe, expect, it } from 'vitest'
import { CARE_LOG_DAYS, stillCuring } from '#core/care'
import { daysAgo, NOW, plan as planOf, smallRoom, test as waterTest } from '../../make'

const { room, glass } = smallRoom()
const planned = (days: number) => planOf(room.id, { glassId: glass.id, startsAt: daysAgo(days) })
const clean = (days: number, nitriteMgL: number) => waterTest(glass.id, days, { ammoniaMgL: 0, nitriteMgL })

describe('a planned glass', () => {
  it('cures until a test after its weeks is clean', () => {
    expect(stillCuring(planned(40), [], NOW)).toBe(true)
    expect(stillCuring(planned(40), [clean(30, 0), clean(20, 0.5), clean(3, 0.5)], NOW)).toBe(true)
    expect(stillCuring(planned(40), [clean(30, 0.3), clean(20, 0.5), clean(3, 0)], NOW)).toBe(false)
    expect(stillCuring({ ...planned(40), done: { readyTest: daysAgo(2) } }, [], NOW)).toBe(false)
  })
  it('says nothing any more once its tests are out of sight', () => {
    expect(stillCuring(planned(CARE_LOG_DAYS - 1), [], NOW)).toBe(true)
    expect(stillCuring(planned(CARE_LOG_DAYS + 1), [], NOW)).toBe(false)
  })
})
