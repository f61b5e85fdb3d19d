import type { Random } from '#core/stats'

/**
 * What the simulated scale shows while somebody spoons a salt onto it: spoonfuls that grow smaller as the mark comes
 * near, with the last digit flickering. It settles on the target.
 * @param targetG grams that are being weighed out, 0 for an empty pan
 * @param stepG last digit of the scale
 * @param seconds since the spooning began
 */
export function scaleReading(
  targetG: number,
  stepG: number,
  seconds: number,
  random: Random,
): { grams: number; settled: boolean } {
  const spoonfuls = Math.floor(seconds * 2)
  const share = targetG === 0 ? 0 : 1 - 0.5 ** spoonfuls
  const settled = targetG * (1 - share) < stepG / 2
  const flicker = settled ? 0 : Math.round((random() - 0.5) * 2) * stepG
  const grams = Math.max(0, Math.round((targetG * (settled ? 1 : share) + flicker) / stepG) * stepG)
  return { grams: Number(grams.toFixed(4)), settled }
}
