import type { WeeklyCourse } from '#core/surplus'
import { WEEK_MS } from '#core/records'
import { whole } from './numbers'
import { weeklyText } from './surplus'
import { dayText } from './when'

/** Weeks that are named below the drawing. */
const NAMED = [0, 8, 16, 26]

/** How the weekly take is drawn: the number that is left, with its likely range, beside that with none taken. */
export function takeCourse({ weekly, taking, leaving }: WeeklyCourse, keep: number, nowMs: number) {
  const end = taking.length - 1
  const [with_, without] = [taking[end]!, leaving[end]!]
  const line = (fan: WeeklyCourse['taking']) => fan.map((b, x) => ({ x, y: b.p50 }))
  return {
    title: `animals, if ${weeklyText(weekly)}${weekly >= 1 ? ' go every week' : ' goes'}`,
    points: line(taking),
    range: taking.map(b => ({ low: b.p10, high: b.p90 })),
    beside: { points: line(leaving), text: 'none taken' },
    limit: { y: keep, text: `${whole(keep)} must stay` },
    marks: NAMED.filter(w => w <= end).map(x => ({ x, text: x === 0 ? 'today' : dayText(nowMs + x * WEEK_MS, nowMs) })),
    summary:
      `By ${dayText(nowMs + end * WEEK_MS, nowMs)} about ${whole(with_.p50)} would be left (likely ` +
      `${whole(with_.p10)} to ${whole(with_.p90)}), instead of ${whole(without.p50)} (likely ` +
      `${whole(without.p10)} to ${whole(without.p90)}) if none go.`,
  }
}
