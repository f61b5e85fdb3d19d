/**
 * Oxygen that water in balance with moist air holds: Benson & Krause 1980, 1984 as in Standard Methods 4500-O
 * (coefficients from memory; they give 14.621, 11.288, 9.092, 8.263 and 7.559 mg/L at 0, 10, 20, 25 and 30 °C).
 * @param temperatureC 0 to 40 °C
 * @param salinityGKg 0 to 40 g/kg
 * @param pressureAtm air pressure in atmospheres
 * @returns mg/L
 * @throws RangeError outside these limits
 */
export function oxygenSaturation(temperatureC: number, salinityGKg = 0, pressureAtm = 1): number {
  if (!(temperatureC >= 0 && temperatureC <= 45))
    throw new RangeError(`temperatureC must lie in 0 to 45, got ${temperatureC}`)
  if (!(salinityGKg >= 0 && salinityGKg <= 60))
    throw new RangeError(`salinityGKg must lie in 0 to 60, got ${salinityGKg}`)
  if (!(pressureAtm > 0.5 && pressureAtm <= 1.2))
    throw new RangeError(`pressureAtm must lie in 0.5 to 1.2, got ${pressureAtm}`)
  const T = 273.15 + temperatureC
  const ln =
    -139.34411 +
    1.575701e5 / T -
    6.642308e7 / T ** 2 +
    1.2438e10 / T ** 3 -
    8.621949e11 / T ** 4 -
    salinityGKg * (0.017674 - 10.754 / T + 2140.7 / T ** 2)
  const atOneAtm = Math.exp(ln)
  const vapour = Math.exp(11.8571 - 3840.7 / T - 216961 / T ** 2)
  const theta = 0.000975 - 1.426e-5 * temperatureC + 6.436e-8 * temperatureC ** 2
  return (
    (atOneAtm * pressureAtm * ((1 - vapour / pressureAtm) * (1 - theta * pressureAtm))) / ((1 - vapour) * (1 - theta))
  )
}
