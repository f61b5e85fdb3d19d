/**
 * Conductivity at 25 °C from a reading taken at another temperature by a probe that does not compensate:
 * κ25 = κt / (1 + α(t − 25)).
 * Dividing is the right form; multiplying by 1 − α(t − 25) is 4 % off at 15 °C.
 * Source: ISO 7888:1985 uses a temperature correction of this form for natural waters; α = 0.0191 per °C (from memory),
 * the usual meter default is 0.02.
 * @param readingUsCm uncompensated reading in µS/cm, zero or more
 * @param temperatureC water temperature in °C, 0 to 40
 * @param alphaPerC share per °C
 * @returns µS/cm at 25 °C
 * @throws RangeError outside the ranges named
 */
export function compensateConductivity(readingUsCm: number, temperatureC: number, alphaPerC = 0.0191): number {
  if (!(readingUsCm >= 0)) throw new RangeError(`readingUsCm must be 0 or more, got ${readingUsCm}`)
  if (!(temperatureC >= 0 && temperatureC <= 40))
    throw new RangeError(`temperatureC must lie in 0 to 40, got ${temperatureC}`)
  if (!(alphaPerC > 0 && alphaPerC < 0.04)) throw new RangeError(`alphaPerC must lie in 0 to 0.04, got ${alphaPerC}`)
  return readingUsCm / (1 + alphaPerC * (temperatureC - 25))
}
