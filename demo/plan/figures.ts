import type { GlassPlan, WaterPlan } from '../planShapes'

/** A value that a liquid kit reads every third week. */
export const kit = (base: number, more: Partial<WaterPlan> = {}): WaterPlan => ({
  base,
  method: 'liquidKit',
  every: 3,
  ...more,
})
/** A value that a probe reads every week. */
export const probe = (base: number, more: Partial<WaterPlan> = {}): WaterPlan => ({
  base,
  method: 'probe',
  every: 1,
  ...more,
})
type Fresh = readonly [ghDh: number, khDh: number, ph: number, conductivity: number, celsius: number]
/** Fresh water: GH and KH in °dH, pH, µS/cm, °C. */
export const fresh = (...[ghDh, khDh, ph, conductivity, celsius]: Fresh): GlassPlan['water'] => ({
  ghDh: kit(ghDh),
  khDh: kit(khDh),
  ph: kit(ph),
  conductivityUsCm: probe(conductivity),
  temperatureC: probe(celsius, { season: 0.8 }),
  nitrateMgL: kit(8, { every: 6 }),
})

/** The lively line in the door-side rack. */
export const ember = { groupId: 'neocaridina', births: 0.13, deaths: 0.035, capacity: 620 }
