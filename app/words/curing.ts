import type { Curing, CuringReason, CuringStage } from '#core/water'
import { formatNumber } from '#core/units'
import { aheadText } from './when'

export const curingWord: Readonly<Record<CuringStage, string>> = {
  notStarted: 'Curing has not begun',
  ammonia: 'In the ammonia stage',
  nitrite: 'In the nitrite stage',
  nearly: 'Nearly cured',
  ready: 'Cured: they can come',
}

const reasons: Readonly<Record<CuringReason, string>> = {
  noTests: 'ammonia and nitrite were not tested yet',
  nothingFound: 'neither ammonia nor nitrite nor nitrate was ever found: feed the empty tank a little',
  ammoniaHigh: 'ammonia is still there',
  nitriteHigh: 'nitrite is there: it comes after ammonia and goes last',
  needsSecondTest: 'it takes a second clean test some days later',
  tooYoung: 'it is younger than is usual for them',
  noGrowthSeen: 'no biofilm or algae was seen: there would be nothing to graze',
  bothGoneTwice: 'ammonia and nitrite were none twice',
  oldTests: 'the tests are old',
  noNitrate: 'nitrate was not found, plants may take it',
}

/** How far the curing is, why, and what comes next. */
export function curingText(c: Curing, nowMs: number): { title: string; reason: string; next: string } {
  const earliest = c.earliestReadyMs > nowMs ? `; at the earliest they come ${aheadText(c.earliestReadyMs, nowMs)}` : ''
  return {
    title: `${curingWord[c.stage]}, week ${formatNumber(Math.max(1, Math.ceil(c.weeks)), 0)}.`,
    reason: `${c.reasons.map(r => reasons[r]).join('; ')}.`.replace(/^./, l => l.toUpperCase()),
    next:
      c.stage === 'ready'
        ? 'Test once more on the day they come.'
        : `Next test ${aheadText(Math.max(nowMs, c.nextTestMs), nowMs)}${earliest}.`,
  }
}
