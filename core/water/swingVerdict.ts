import { type PhSwing, swingWarns } from './time/phSwing'
import type { ValueVerdict, WaterMessageKey } from './valueShapes'

/**
 * Adds the day and night swing to the verdict on pH: a swing of more than about half a unit drifts, however good each
 * single reading looks. A verdict that is off stays as it is and gains the reason.
 * @param verdict on pH
 * @param swing from readings at dawn and at dusk, null when one of them was never made
 */
export function withSwing(verdict: ValueVerdict, swing: PhSwing | null): ValueVerdict {
  if (!swing || !swingWarns(swing)) return verdict
  const values = {
    key: verdict.key,
    by: swing.value,
    low: swing.low,
    high: swing.high,
    mornings: swing.mornings,
    evenings: swing.evenings,
    pairs: swing.pairs,
  }
  const reason = { key: 'water.reasonSwing' as WaterMessageKey, values }
  const action = { key: 'water.doSteadyCo2' as WaterMessageKey, values: {} }
  if (verdict.state === 'off') return { ...verdict, reasons: [...verdict.reasons, reason] }
  return {
    ...verdict,
    state: 'drifting',
    conclusion: { key: 'water.swing', values },
    reasons: [reason],
    actions: [action],
  }
}
