import type { FeedingSchoolId } from '#core/groups'
import type { Water } from '#core/records'
import { estimateConductivity } from '../chemistry/conductivity'
import { MEQ_PER_DKH, MMOL_PER_DGH } from '../chemistry/hardness'
import { amountKeys, molarMass } from '../chemistry/ions'
import { salinityFromGramsPerLitre } from '../chemistry/seawater'

/** Values that the box forecasts. */
export const boxKeys = ['ghDh', 'khDh', 'calciumMgL', 'conductivityUsCm', 'salinityGKg', 'nitrateMgL'] as const
export type BoxKey = (typeof boxKeys)[number]

/** What goes on in a tank, as the box knows it. */
export interface BoxHabits {
  /** litres a day that evaporate and are replaced */
  evaporationLPerDay: number
  /** what replaces them */
  topUp: Water
  change: { litres: number; everyDays: number; water: Water; firstInDays: number } | null
  /** nitrate that feeding brings, mg/L a week */
  nitrateMgLPerWeek: number
  /** grams of carbonate stone or sand in a litre */
  carbonateGL: number
  /** active soil in the tank, and its age; null for none */
  soilAgeWeeks: number | null
  /** drift of this tank beyond all of that, from its own log */
  driftPerWeek: Partial<Record<BoxKey, number>>
}

/** Forecast of one tank: one value a day, today first. */
export type BoxForecast = Record<BoxKey, Float64Array>

/**
 * Simple laws of slow sources and sinks, all from memory and marked so on screen: stones in 12 to 24 g/L hold KH near 9
 * (common practice for isopods); active soil takes up alkalinity within days and wears out in one to two years (common
 * practice).
 */
export const slowLaws = {
  carbonate: { khDh: 9, perDayAt24GL: 0.03 },
  soil: { takesPerDay: 0.12, lastsWeeks: 78 },
  /** by the option of the feeding school */
  feedingNitrateMgLPerWeek: {
    sparse: 1,
    dailySmall: 2,
    twiceDaily: 5,
    powder: 2,
    heavy: 8,
    brackishPool: 0.2,
  } satisfies Record<FeedingSchoolId, number> as Readonly<Record<FeedingSchoolId, number>>,
}

/**
 * Hours are not resolved: a day is the step, as evaporation is topped up daily or weekly without a difference that
 * matters.
 */
const WEEK = 7

/**
 * Forecasts a well-mixed tank day by day: evaporation leaves everything behind, top-ups bring what they hold, changes
 * exchange a part, feeding adds nitrate, stones and soil work slowly, and the tank's own drift goes on.
 * @param water today
 * @param netL litres
 * @param days how far
 * @throws RangeError for litres or days that are not above zero, or a change larger than the tank
 */
export function forecastBox(water: Water, netL: number, habits: BoxHabits, days: number): BoxForecast {
  if (!(netL > 0)) throw new RangeError(`netL must be above 0, got ${netL}`)
  if (!(Number.isInteger(days) && days > 0)) throw new RangeError(`days must be a whole number above 0, got ${days}`)
  if (habits.change && !(habits.change.litres > 0 && habits.change.litres <= netL))
    throw new RangeError(`change.litres must lie above 0 and at most ${netL}, got ${habits.change.litres}`)
  const out = Object.fromEntries(boxKeys.map(k => [k, new Float64Array(days + 1)])) as BoxForecast
  const w = { ...water }
  const topShare = habits.evaporationLPerDay / netL
  const { carbonate, soil } = slowLaws
  const stoneRate = Math.min(0.5, (carbonate.perDayAt24GL * habits.carbonateGL) / 24)
  const drift = habits.driftPerWeek
  for (let day = 0; ; day++) {
    read(w, day, out)
    if (day === days) return out
    if (topShare > 0) for (const key of amountKeys) w[key] += topShare * habits.topUp[key]
    if (stoneRate > 0) {
      const missing = carbonate.khDh * MEQ_PER_DKH - w.alkalinityMeqL
      if (missing > 0) {
        w.alkalinityMeqL += stoneRate * missing
        w.caMmolL += (stoneRate * missing) / 2
      }
    }
    if (habits.soilAgeWeeks !== null) {
      const strength = Math.max(0, 1 - (habits.soilAgeWeeks + day / WEEK) / soil.lastsWeeks)
      const taken = soil.takesPerDay * strength * w.alkalinityMeqL
      w.alkalinityMeqL -= taken
      // what it takes it takes as calcium, magnesium and sodium alike; a quarter is hardness (from memory)
      const hardness = w.caMmolL + w.mgMmolL
      if (hardness > 0) {
        const share = Math.min(1, taken / 8 / hardness)
        w.caMmolL *= 1 - share
        w.mgMmolL *= 1 - share
      }
    }
    w.no3MmolL += habits.nitrateMgLPerWeek / WEEK / molarMass.NO3
    drifted(w, drift)
    const { change } = habits
    const next = day + 1
    if (change && next >= change.firstInDays && (next - change.firstInDays) % change.everyDays < 1) {
      const share = change.litres / netL
      for (const key of amountKeys) w[key] += share * (change.water[key] - w[key])
    }
  }
}

function drifted(w: Water, drift: BoxHabits['driftPerWeek']): void {
  if (drift.khDh) w.alkalinityMeqL = Math.max(0, w.alkalinityMeqL + (drift.khDh * MEQ_PER_DKH) / WEEK)
  if (drift.ghDh) {
    const hardness = w.caMmolL + w.mgMmolL
    const factor = hardness > 0 ? Math.max(0, 1 + (drift.ghDh * MMOL_PER_DGH) / WEEK / hardness) : 1
    w.caMmolL *= factor
    w.mgMmolL *= factor
  }
  if (drift.conductivityUsCm) {
    // hardness and alkalinity that drift carry their own conductivity (about 17 µS/cm a degree each): only the rest is
    // an offset
    const explained = ((drift.ghDh ?? 0) + (drift.khDh ?? 0)) * 17
    w.conductivityOffsetUsCm += (drift.conductivityUsCm - explained) / WEEK
  }
  if (drift.nitrateMgL) w.no3MmolL = Math.max(0, w.no3MmolL + drift.nitrateMgL / molarMass.NO3 / WEEK)
  if (drift.salinityGKg && w.seaSaltGL > 0) w.seaSaltGL = Math.max(0, w.seaSaltGL + drift.salinityGKg / WEEK)
}

function read(w: Water, day: number, out: BoxForecast): void {
  out.ghDh[day] = (w.caMmolL + w.mgMmolL) / MMOL_PER_DGH
  out.khDh[day] = w.alkalinityMeqL / MEQ_PER_DKH
  out.calciumMgL[day] = w.caMmolL * molarMass.Ca
  out.conductivityUsCm[day] = estimateConductivity(w)
  out.salinityGKg[day] = w.seaSaltGL > 0 ? salinityFromGramsPerLitre(w.seaSaltGL, 25) : 0
  out.nitrateMgL[day] = w.no3MmolL * molarMass.NO3
}

/**
 * Where a value of a tank under steady changes and top-ups ends, and how fast it creeps when there are no changes.
 * Closed form of the box without slow laws: c∞ = c_new + e·c_top/(f·N per day) (mass balance).
 * @param perDay litres a day: evaporated, and changed on average
 * @returns the end, or `perWeek` of creep when nothing is ever taken out
 */
export function creep(
  netL: number,
  perDay: { evaporatedL: number; changedL: number },
  topUpValue: number,
  changeValue: number,
): { endsAt: number } | { perWeek: number } {
  if (!(netL > 0)) throw new RangeError(`netL must be above 0, got ${netL}`)
  if (perDay.changedL > 0) return { endsAt: changeValue + (perDay.evaporatedL * topUpValue) / perDay.changedL }
  return { perWeek: (WEEK * perDay.evaporatedL * topUpValue) / netL }
}
