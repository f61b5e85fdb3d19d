import type { Message, VerdictState, Water } from '#core/records'
import { HARMFUL_NH3, unionisedAmmonia } from './chemistry/ammonia'
import { carbonateSystem, co2ByRule, co2FromPhKh } from './chemistry/carbonate'
import { MEQ_PER_DKH } from './chemistry/hardness'
import { oxygenSaturation } from './chemistry/oxygen'
import { type PhSwing, swingWarns } from './time/phSwing'

export type FollowsKey =
  | 'follows.ammonia'
  | 'follows.co2'
  | 'follows.co2Soft'
  | 'follows.lime'
  | 'follows.oxygen'
  | 'follows.swing'
  | 'follows.noSwing'
/** One thing that follows from other values; the sentences are in app/words. */
export interface Follows extends Message<FollowsKey> {
  state: VerdictState
}

export interface FollowsInput {
  water: Water | null
  ph: number | null
  khDh: number | null
  temperatureC: number | null
  ammoniaMgL: number | null
  salinityGKg: number
  swing: PhSwing | null
  /** whether shells matter here */ snails: boolean
}

/** Under this KH acids of soil and leaves set pH, and CO2 cannot be read from it (from memory). */
const LEAST_KH_FOR_CO2 = 1
/** CO2 above which shrimp grow sluggish, mg/L (from memory). */
const MUCH_CO2 = 30
/** Saturation index of aragonite under which shells suffer, and under which they dissolve (from memory). */
const SHELLS = { suffer: -0.7, dissolve: -1.5 }
/** The carbonate equations are those of fresh water. */
const FRESH_GKG = 5

/**
 * What pH, KH, temperature and the rest come to: harmful ammonia, CO2, lime, oxygen, day and night. What lacks an input
 * is left out.
 */
export function whatFollows({
  water,
  ph,
  khDh,
  temperatureC,
  ammoniaMgL,
  salinityGKg,
  swing,
  snails,
}: FollowsInput): Follows[] {
  const out: Follows[] = []
  const warm = temperatureC !== null && temperatureC >= 0 ? temperatureC : null
  if (ammoniaMgL !== null && ph !== null && warm !== null) {
    const harmful = unionisedAmmonia(ammoniaMgL, ph, warm, salinityGKg)
    out.push({
      key: 'follows.ammonia',
      state: harmful > HARMFUL_NH3 ? 'off' : ammoniaMgL > 0 ? 'drifting' : 'onTarget',
      values: { ammoniaMgL, harmful, limit: HARMFUL_NH3, ph, temperatureC: warm },
    })
  }
  if (ph !== null && khDh !== null && warm !== null && water && salinityGKg < FRESH_GKG) {
    const co2 = co2FromPhKh(ph, khDh, warm, water)
    const soft = khDh < LEAST_KH_FOR_CO2
    out.push({
      key: soft ? 'follows.co2Soft' : 'follows.co2',
      state: soft ? 'unknown' : co2 > MUCH_CO2 ? 'drifting' : 'onTarget',
      values: { co2, rule: co2ByRule(ph, khDh), much: MUCH_CO2, khDh },
    })
    const index = carbonateSystem({ ...water, alkalinityMeqL: khDh * MEQ_PER_DKH }, ph, warm).saturationAragonite
    out.push({
      key: 'follows.lime',
      state: !snails ? 'unknown' : index < SHELLS.dissolve ? 'off' : index < SHELLS.suffer ? 'drifting' : 'onTarget',
      values: { index, suffer: SHELLS.suffer, snails: snails ? 1 : 0 },
    })
  }
  if (warm !== null)
    out.push({
      key: 'follows.oxygen',
      state: 'unknown',
      values: { oxygen: oxygenSaturation(warm, salinityGKg), temperatureC: warm, salinityGKg },
    })
  out.push(
    swing
      ? { key: 'follows.swing', state: swingWarns(swing) ? 'drifting' : 'onTarget', values: { ...swing } }
      : { key: 'follows.noSwing', state: 'unknown', values: {} },
  )
  return out
}
