/**
 * Share of total ammonia that is un-ionised, the part that harms: pKa = 0.09018 + 2729.92/T in fresh water (Emerson,
 * Russo, Lund & Thurston 1975, Journal of the Fisheries Research Board of Canada 32:2379; the printed table used
 * T = 273.2 + t and differs by 0.35 %). Salt raises it by 0.116 · ionic strength (Khoo, Culberson & Bates 1977, as in
 * the US EPA's ambient criteria for ammonia in salt water, 1989; from memory): in sea water the share is 18 % lower.
 * @param ph pH of the tank, 3 to 11
 * @param temperatureC °C, 0 to 45
 * @param salinityGKg of the tank, 0 to 60
 * @returns share, 0 to 1
 * @throws RangeError outside these limits
 */
export function unionisedShare(ph: number, temperatureC: number, salinityGKg = 0): number {
  if (!(ph >= 3 && ph <= 11)) throw new RangeError(`ph must lie in 3 to 11, got ${ph}`)
  if (!(temperatureC >= 0 && temperatureC <= 45))
    throw new RangeError(`temperatureC must lie in 0 to 45, got ${temperatureC}`)
  if (!(salinityGKg >= 0 && salinityGKg <= MOST_SALT))
    throw new RangeError(`salinityGKg must lie in 0 to 60, got ${salinityGKg}`)
  const ionicStrength = (19.9273 * salinityGKg) / (1000 - 1.005109 * salinityGKg)
  const pKa = 0.09018 + 2729.92 / (273.15 + temperatureC) + 0.116 * ionicStrength
  return 1 / (1 + 10 ** (pKa - ph))
}

/** More salt than that is reckoned as that, g/kg: brine that was reckoned, not read. */
const MOST_SALT = 60
/** NH3 by mass of the NH4 that kits print: molar masses 17.031 and 18.039. */
const NH3_PER_NH4 = 17.031 / 18.039

/**
 * Un-ionised ammonia from a kit's total ammonia.
 * @param totalMgL mg/L as NH4, as kits print it
 * @returns mg/L NH3
 */
export const unionisedAmmonia = (totalMgL: number, ph: number, temperatureC: number, salinityGKg = 0): number =>
  totalMgL * NH3_PER_NH4 * unionisedShare(ph, temperatureC, Math.min(MOST_SALT, salinityGKg))

/**
 * Un-ionised ammonia from which harm is to be expected over days, mg/L NH3 (from memory: common aquaculture limit 0.02
 * to 0.05).
 */
export const HARMFUL_NH3 = 0.02
