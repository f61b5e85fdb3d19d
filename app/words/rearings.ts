import type { ColonyStatements } from '#core/statements'
import { DAY_MS } from '#core/records'
import { formatNumber } from '#core/units'
import { broodWords } from './kinds'
import { shareSpanText } from './batch'
import { whole } from './numbers'
import { type UnitPrefs, valueText } from './unitPrefs'
import { dayText } from './when'

const HOUR_MS = DAY_MS / 24

/** A rearing as it stands beside others: what may have made the difference, then what came of it. */
export function comparedRearing(
  told: ColonyStatements,
  units: UnitPrefs,
  nowMs: number,
): { name: string; value: string }[] {
  const { batch, salt, population, water } = told
  const b = batch!
  const greens = b.greens.map(g => g.green)
  const mean = greens.reduce((sum, g) => sum + g, 0) / greens.length
  const full = salt.at(-1)?.doneMs ?? null
  const gKg = water.values.find(v => v.key === 'salinityGKg')?.latest?.value
  const first = b.outs[0]?.at ?? b.arrive.first?.value ?? null
  return [
    { name: 'Hatched', value: dayText(b.hatch.value, nowMs) },
    { name: 'Warmth', value: valueText('temperatureC', population.temperatureC, units) },
    { name: 'Salt', value: gKg === undefined ? 'not read' : `${formatNumber(gKg, 0)} g/kg` },
    {
      name: 'In full salt after',
      value: full === null ? 'not yet' : `${formatNumber(Math.max(0, full - b.beganMs) / HOUR_MS, 0)} h`,
    },
    { name: 'Water', value: greens.length > 0 ? broodWords.green[Math.round(mean)]! : 'not noted' },
    {
      name: 'First settled',
      value:
        first === null
          ? 'hardly any'
          : `${b.outs.length > 0 ? 'after' : 'likely after'} ${whole((first - b.hatch.value) / DAY_MS)} d`,
    },
    { name: 'Picked', value: whole(b.out.number) },
    { name: 'Come through', value: shareSpanText(b.lives) },
  ]
}
