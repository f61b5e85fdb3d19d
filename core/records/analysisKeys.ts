/** Values that a water report or a keeper's kit may give of a source. The unit is part of the name. */
export const analysisKeys = [
  'ghDh',
  'khDh',
  'ph',
  'conductivityUsCm',
  'calciumMgL',
  'magnesiumMgL',
  'sodiumMgL',
  'potassiumMgL',
  'chlorideMgL',
  'sulfateMgL',
  'nitrateMgL',
  'salinityGKg',
  'copperMgL',
] as const

/** What such a value can be at all: wider than any drinking or sea water, it catches slips. */
export const possibleAnalysis: Readonly<Record<(typeof analysisKeys)[number], readonly [number, number]>> = {
  ghDh: [0, 500],
  khDh: [0, 60],
  ph: [2, 12],
  conductivityUsCm: [0, 80_000],
  calciumMgL: [0, 2000],
  magnesiumMgL: [0, 2500],
  sodiumMgL: [0, 20_000],
  potassiumMgL: [0, 1000],
  chlorideMgL: [0, 40_000],
  sulfateMgL: [0, 5000],
  nitrateMgL: [0, 500],
  salinityGKg: [0, 60],
  copperMgL: [0, 10],
}
