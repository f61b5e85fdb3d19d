import { type Contents, netLitres } from '#core/records'
import type { SpeciesGroup } from './group'

/** Groups whose glasses are filled less than this live on land: their room is the whole glass. */
const LAND_FILL = 0.5

/**
 * Litres that animals have to live in, which is what capacity per litre counts: the water, or for land animals the
 * whole glass ("at most three in 25 L" is said of the glass, common practice).
 */
export const habitatLitres = (group: SpeciesGroup, contents: Contents): number =>
  group.setup.fillShare.value < LAND_FILL ? contents.grossL : netLitres(contents)
