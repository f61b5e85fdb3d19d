import { toleratedOf } from '#core/groups'
import { DAY_MS, type Evidence, type Message, type ValueKey } from '#core/records'
import { freshDays } from './methodDoubt'
import { msg, type ValueAsked, type ValueReading, type ValueVerdict, type WaterMessageKey } from './valueShapes'
import { reasonsOf } from './valueReasons'
import { type Standing, standing } from './valueStanding'

/** What is shown of the readings: the newest. */
const WINDOW_DAYS = 120
const WINDOW_READINGS = 8

// from memory, tried on glasses that are well and on slides (docs/science.md)
/** A value is called off, or outside, from so much chance that it is. */
const SURE = 0.8
/** One that slid out is off when with so much chance it goes beyond what is tolerated before two more tests. */
const GOES_ON = 0.25
/** Under so much chance of lying outside, it may as well be the test. */
const OUTSIDE = 0.7
/** One inside is called drifting from so much chance that it leaves before two more tests are made. */
const LEAVES: Partial<Record<ValueKey, number>> = {
  ghDh: 0.33,
  khDh: 0.3,
  ph: 0.18,
  conductivityUsCm: 0.2,
  nitrateMgL: 0.135,
}
const LEAVES_ELSE = 0.25
/** A part of that is enough where conductivity goes the same way. */
const AGREED = 0.7
/** A poison that was found says for so many days what is in the water now. */
const POISON_DAYS = 7
/** From so much of the days that a reading is good for, it is read again before anything is done by it. */
const AGED = 0.5

/**
 * Judges one value: where its level lies, where it will be before the next two tests, and the age of the reading.
 *
 * "Stable beats perfect" (common practice): a value outside the preferred range but inside the tolerated one that will
 * stay there is on target. One inside is drifting when it will likely leave before two more tests are made; what the
 * tests' doubt, the glass's own scatter and its usual wandering explain is no drift. Off needs to be sure: a rough
 * reading alone asks for a better one.
 * @example judgeValue({ key: 'khDh', target: { preferred: [3, 8] }, readings: story.readings.get('khDh'), nowMs })
 */
export function judgeValue(asked: ValueAsked): ValueVerdict {
  const { key, target, readings, nowMs } = asked
  const latest = readings.at(-1) ?? null
  const window = readings.filter(r => r.at >= nowMs - WINDOW_DAYS * DAY_MS).slice(-WINDOW_READINGS)
  const tolerated = toleratedOf(key, target)
  const range = { low: target.preferred[0], high: target.preferred[1], tolLow: tolerated[0], tolHigh: tolerated[1] }
  const ageDays = latest ? (nowMs - latest.at) / DAY_MS : null
  const untold = (conclusion: Judged['conclusion']): Judged => ({
    state: 'unknown',
    conclusion,
    reasons: [],
    actions: [msg('water.doTest', { key })],
  })
  const told = { key, target, tolerated, latest, window, ageDays, evidence: evidenceOf(key, readings) }
  if (!latest) return { ...told, ...NO_TREND, ...untold(msg('water.noReading', { key, ...range })) }
  const stands = standing(asked, latest, window, range)
  const trends = { trendPerWeek: stands.trend, inFourWeeks: stands.ahead, outsideSoon: stands.outside.soon }
  if (ageDays! > freshDays[key])
    return {
      ...told,
      ...trends,
      ...untold(msg('water.tooOld', { key, value: latest.value, days: ageDays!, ...range })),
    }
  return { ...told, ...trends, ...testedFirst(judged(stands, reasonsOf(stands, asked), ageDays!), key, ageDays!) }
}

const NO_TREND = { trendPerWeek: null, inFourWeeks: null, outsideSoon: null }

type Judged = Pick<ValueVerdict, 'state' | 'conclusion' | 'reasons' | 'actions'>

/** Nothing is changed by an old reading: it is read again first. */
function testedFirst(verdict: Judged, key: ValueKey, ageDays: number): Judged {
  const changes = verdict.actions.some(a => a.key === 'water.doRaise' || a.key === 'water.doLower')
  if (!changes || ageDays <= AGED * freshDays[key]) return verdict
  return { ...verdict, actions: [msg('water.doTestFirst', { key, days: ageDays })] }
}

function judged(s: Standing, reasons: Message<WaterMessageKey>[], ageDays: number): Judged {
  const { key, latest, range, outside } = s
  const values = { key, value: latest.value, ...range }
  if (s.poison) return ofPoison(s, values, reasons, ageDays)
  const leaves = (LEAVES[key] ?? LEAVES_ELSE) * (saltsAgree(s) ? AGREED : 1)
  if (outside.beyondNow > SURE || (outside.now > SURE && outside.beyondSoon > GOES_ON && slidOut(s)))
    return off(s, values, reasons)
  if (s.side !== 'in') return atTheEdge(s, values, reasons)
  if (outside.soon > leaves && goesOut(s)) return leaving(s, values, reasons)
  const conclusion = msg(readOutside(s) ? 'water.withinDoubt' : 'water.onTarget', values)
  return { state: 'onTarget', conclusion, reasons, actions: [] }
}

/** The last reading may lie outside where the level does not. */
const readOutside = ({ latest, range }: Standing) => latest.value < range.low || latest.value > range.high

/** Inside, and likely not for long: where its way is not sure, it is tested before anything is changed. */
function leaving(s: Standing, values: Record<string, number | string>, reasons: Message<WaterMessageKey>[]): Judged {
  const { key, moves, outside } = s
  const chance = msg('water.reasonMayLeave', { ...values, chance: outside.soon })
  if (!moves)
    return {
      state: 'drifting',
      conclusion: msg(readOutside(s) ? 'water.withinDoubt' : 'water.mayLeave', values),
      reasons: [chance, ...reasons.filter(r => r.key !== 'water.reasonSteady')],
      actions: [msg('water.doWatch', { key })],
    }
  const up = moves.value > 0
  return {
    state: 'drifting',
    conclusion: msg(up ? 'water.rising' : 'water.falling', values),
    reasons: [...reasons, chance],
    actions: [msg(up ? 'water.doLower' : 'water.doRaise', { key })],
  }
}

/** What should be none: told by the newest reading alone. */
function ofPoison(
  { key, latest, range }: Standing,
  values: Record<string, number | string>,
  reasons: Message<WaterMessageKey>[],
  ageDays: number,
): Judged {
  if (latest.value - latest.sd <= range.tolHigh)
    return { state: 'onTarget', conclusion: msg('water.onTarget', values), reasons: [], actions: [] }
  if (ageDays > POISON_DAYS)
    return {
      state: 'drifting',
      conclusion: msg('water.poisonOld', { ...values, days: ageDays }),
      reasons: [],
      actions: [msg('water.doTest', { key })],
    }
  return {
    state: 'off',
    conclusion: msg('water.poison', values),
    reasons,
    actions: [msg('water.doEmergencyChange', { key })],
  }
}

/** Likely way: further out on the side where it stands, or out of the range from within. */
const goesOut = ({ rises, side, ahead, range }: Standing) =>
  side === 'high' || (side === 'in' && ahead.value > (range.low + range.high) / 2) ? rises > 0.6 : rises < 0.4
/** Whether conductivity surely goes the same way. */
const saltsAgree = ({ saltsRise, rises }: Standing) =>
  saltsRise !== null && (rises > 0.5 ? saltsRise > SURE : saltsRise < 1 - SURE)
const correction = ({ key, side }: Standing) => msg(side === 'high' ? 'water.doLower' : 'water.doRaise', { key })

/** Whether it came out of the range by itself: from well within, or on its way. */
const slidOut = (s: Standing) =>
  s.side === 'high' ? (s.came?.from ?? Infinity) <= s.range.high : (s.came?.from ?? -Infinity) >= s.range.low

/** Above or below, and whether it slid there. */
function outsideOf(s: Standing, values: Record<string, number | string>) {
  const slid = slidOut(s) || (goesOut(s) && s.moves !== null)
  const above = slid ? 'water.slidAbove' : 'water.above'
  const below = slid ? 'water.slidBelow' : 'water.below'
  return msg(s.side === 'high' ? above : below, values)
}

function off(s: Standing, values: Record<string, number | string>, reasons: Message<WaterMessageKey>[]): Judged {
  const { key, step } = s
  const conclusion = step ? msg('water.steppedOut', { ...values, from: step.from, side: s.side }) : outsideOf(s, values)
  const first = step ? [msg('water.doFindStep', { key })] : s.weak ? [msg('water.doRetest', { key })] : []
  return { state: 'off', conclusion, reasons, actions: [...first, correction(s)] }
}

/** The level lies outside the preferred range, and is not off. */
function atTheEdge(s: Standing, values: Record<string, number | string>, reasons: Message<WaterMessageKey>[]): Judged {
  const { key, range, outside, moves } = s
  const near = [...reasons, msg('water.reasonNearLimit', { key, ...range })]
  const nothing = [msg('water.doNothing', { key })]
  const outward = s.side === 'high' ? s.rises : 1 - s.rises
  const stays = outside.beyondSoon < 1 - SURE && outward < SURE
  if (outside.now < OUTSIDE && stays)
    return { state: 'onTarget', conclusion: msg('water.withinDoubt', values), reasons: near, actions: [] }
  const returning = moves !== null && !goesOut(s)
  if (s.settled && !slidOut(s) && outside.beyondNow < 1 - SURE && !returning)
    return { state: 'onTarget', conclusion: msg('water.steadyAtEdge', values), reasons, actions: nothing }
  const wait = s.weak ? [msg('water.doRetest', { key })] : nothing
  return {
    state: 'drifting',
    conclusion: outsideOf(s, values),
    reasons: near,
    actions: s.weak || returning ? wait : [correction(s)],
  }
}

function evidenceOf(key: ValueKey, readings: readonly ValueReading[]): Evidence[] {
  return readings
    .slice(-WINDOW_READINGS)
    .toReversed()
    .map(r => ({
      key: 'evidence.reading',
      values: { key, value: r.value, sd: r.sd, at: r.at, method: r.method },
      entryId: r.entryId,
    }))
}
