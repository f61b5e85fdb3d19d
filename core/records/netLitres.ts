import type { Glass, SubstrateKind } from './room'

/** Share of a substrate that is water between the grains (from memory). */
const PORES: Readonly<Record<SubstrateKind, number>> = {
  none: 1,
  sand: 0.38,
  gravel: 0.4,
  activeSoil: 0.45,
  carbonateSand: 0.4,
  earth: 0.35,
}
/** Density of rock in kg/L (from memory: granite and slate 2.7, lava less). */
const ROCK_KG_L = 2.6

/** What net litres follow from. */
export type Contents = Pick<Glass, 'grossL' | 'fill' | 'inside' | 'substrate' | 'rockKg'>

/**
 * Litres of water in a glass. Litres that the keeper gave hold as they are; by fill height it is gross · share, less
 * what substrate (where the inner edges are known) and rock take up.
 * @returns litres, never under a twentieth of the gross ones
 */
export function netLitres(glass: Contents): number {
  if (glass.fill.by === 'netLitres') return glass.fill.netL
  const { inside, substrate } = glass
  const solid =
    inside && substrate
      ? (inside.lengthCm * inside.widthCm * substrate.depthCm * (1 - PORES[substrate.kind])) / 1000
      : 0
  return Math.max(glass.grossL / 20, glass.grossL * glass.fill.share - solid - (glass.rockKg ?? 0) / ROCK_KG_L)
}
