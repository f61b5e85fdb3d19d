import { formatNumber } from '#core/units'
import type { CalibrationResult, Settled } from '#core/water'
import type { StreamState } from '~/devices/stream'
import { type UnitPrefs, valueText } from './unitPrefs'
import { agoText } from './when'

/** What the bench probe shows. */
export type ProbeValue = 'ph' | 'conductivityUsCm' | 'temperatureC' | 'humidityPct'

const titles = { ph: 'pH', conductivityUsCm: 'Conductivity', temperatureC: 'Temperature', humidityPct: 'Humidity' }
/** Decimals of the spread; that of humidity is not told. */
const spreadDecimals = { ph: 2, conductivityUsCm: 1, temperatureC: 2, humidityPct: null }

const valueShown = (key: ProbeValue, mean: number, units: UnitPrefs) =>
  key === 'ph' ? formatNumber(mean, 2) : valueText(key, mean, units)

/** Each value as text, with its spread; a dash before the first reading. Humidity only where a group lives by it. */
export function probeValues(means: Record<ProbeValue, Settled | null>, withHumidity: boolean, units: UnitPrefs) {
  const keys: ProbeValue[] = [
    'ph',
    'conductivityUsCm',
    'temperatureC',
    ...(withHumidity ? ['humidityPct' as const] : []),
  ]
  return keys.map(key => {
    const of = means[key]
    const decimals = spreadDecimals[key]
    return {
      key,
      title: titles[key],
      text: of ? valueShown(key, of.mean, units) : '–',
      spread: of && decimals !== null ? formatNumber(of.sd, decimals) : '',
    }
  })
}

/** What was kept of a glass, in one line. */
export const probeSentence = (kept: { ph: number; conductivityUsCm: number; temperatureC: number }, units: UnitPrefs) =>
  `pH ${valueShown('ph', kept.ph, units)}, ${valueShown('conductivityUsCm', kept.conductivityUsCm, units)}, ` +
  valueShown('temperatureC', kept.temperatureC, units)

/** Where nothing can play a device. */
export const NO_DEVICES =
  'The simulated devices are played by Ulkin’s own server; this copy comes from a plain web host. Type what you read.'

/** Whether the probe can be believed now. */
export function probeStatus(now: { on: boolean; state: StreamState; waiting: boolean; settled: boolean }): string {
  if (!now.on) return 'The probe is off.'
  if (now.state === 'absent') return NO_DEVICES
  if (now.state === 'lost') return 'The line to the probe is lost. Trying again …'
  if (now.waiting) return 'Waiting for the probe …'
  return now.settled ? 'Live, settled.' : 'Live, not settled yet.'
}

/** Why two readings give no line. */
export const calibrationIssue = (issue: 'wornOut' | 'pointsTooNear') =>
  issue === 'wornOut'
    ? 'These two readings give no sensible line: the probe is worn out, or a solution is not what its label says. ' +
      'The old calibration stays.'
    : 'Both readings are the same: was the probe moved? The old calibration stays.'

const percentOf = (slope: number) => `${formatNumber(slope * 100, 0)} %`

/** The new line of a probe. */
export function calibratedText(key: 'ph' | 'conductivityUsCm', line: { slope: number; offset: number }): string {
  const offset = formatNumber(line.offset, key === 'ph' ? 2 : 0)
  return `${titles[key]} calibrated: slope ${percentOf(line.slope)}, offset ${offset}.`
}

/** How old a calibration is, its slope, and whether it is due again. */
export function calibrationText(days: number | null, line: CalibrationResult | null, due: boolean): string {
  if (days === null) return 'never calibrated'
  const slope = line?.ok ? `, slope ${percentOf(line.slope)}` : ''
  return `calibrated ${agoText(days)}${slope}${due ? ': due again' : ''}`
}
/** The title of what is calibrated. */
export const calibratedTitle = (key: 'ph' | 'conductivityUsCm') => titles[key]
