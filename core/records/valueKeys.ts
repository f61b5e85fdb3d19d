/** The water values that can be tested and that a group may have targets for. The unit is part of the name. */
export const valueKeys = [
  'ghDh',
  'khDh',
  'ph',
  'conductivityUsCm',
  'temperatureC',
  'nitrateMgL',
  'nitriteMgL',
  'ammoniaMgL',
  'copperMgL',
  'calciumMgL',
  'salinityGKg',
  'humidityPct',
] as const

/**
 * What a reading can be at all, in the canonical unit. Wider than any animal's needs: it catches slips ("pH 71"), it
 * does not judge. Ammonia, nitrite and nitrate are mg/L of the ion as kits print them.
 */
export const possibleRange: Readonly<Record<(typeof valueKeys)[number], readonly [number, number]>> = {
  ghDh: [0, 60],
  khDh: [0, 40],
  ph: [3, 11],
  conductivityUsCm: [0, 60_000],
  temperatureC: [-2, 45],
  nitrateMgL: [0, 500],
  nitriteMgL: [0, 50],
  ammoniaMgL: [0, 50],
  copperMgL: [0, 10],
  calciumMgL: [0, 1000],
  salinityGKg: [0, 60],
  humidityPct: [0, 100],
}
