/**
 * Share of total ammonia that is un-ionised, the part that harms: pKa = 0.09018 + 2729.92/T.
 * Emerson, Russo, Lund & Thurston 1975, Journal of the Fisheries Research Board of Canada 32:2379. Fresh water; in sea
 * water the share is 15 to 25 % lower. The printed table used T = 273.2 + t and differs by 0.35 %.
 * @param ph pH of the tank, 3 to 11
 * @param temperatureC °C, 0 to 45
 * @returns share, 0 to 1
 * @throws RangeError outside these limits
 */
export function unionisedShare(ph: number, temperatureC: number): number {
  if (!(ph >= 3 && ph <= 11)) throw new RangeError(`ph must lie in 3 to 11, got ${ph}`)
  if (!(temperatureC >= 0 && temperatureC <= 45))
    throw new RangeError(`temperatureC must lie in 0 to 45, got ${temperatureC}`)
  const pKa = 0.09018 + 2729.92 / (273.15 + temperatureC)
  return 1 / (1 + 10 ** (pKa - ph))
}

/** NH3 by mass of the NH4 that kits print: molar masses 17.031 and 18.039. */
const NH3_PER_NH4 = 17.031 / 18.039

/**
 * Un-ionised ammonia from a kit's total ammonia.
 * @param totalMgL mg/L as NH4, as kits print it
 * @returns mg/L NH3
 */
export const unionisedAmmonia = (totalMgL: number, ph: number, temperatureC: number): number =>
  totalMgL * NH3_PER_NH4 * unionisedShare(ph, temperatureC)

/**
 * Un-ionised ammonia from which harm is to be expected over days, mg/L NH3 (from memory: common aquaculture limit 0.02
 * to 0.05).
 */
export const HARMFUL_NH3 = 0.02
