import { expose, transfer } from 'comlink'
import type { Picture } from '#core/counting'
import {
  type AnimalMeasured,
  animalPicture,
  type AnimalPicture,
  type AnimalScene,
  type GradedPhoto,
  guessAnimal,
  measureAnimal,
  practiceScene,
  type RungSuggested,
  type Spot,
  suggestRung,
} from '#core/meter'

/** A picture of the stand-in camera. */
function practice(seed: number): { picture: AnimalPicture; card: AnimalScene['card'] } {
  const scene = practiceScene(seed)
  const picture = animalPicture(scene)
  return transfer({ picture, card: scene.card }, [picture.data.buffer])
}
const guess = (picture: Picture): Spot | null => guessAnimal(picture)
/** What a picture says: what is measured, and the rung that the keeper's own photos make likely. */
interface MeterRead {
  found: AnimalMeasured | 'noCard' | 'noAnimal'
  suggested: RungSuggested | null
}
function read(
  picture: Picture,
  at: { animal: Spot; card: Spot; kind: AnimalScene['card'] },
  { photos, rungs }: { photos: GradedPhoto[]; rungs: number },
): MeterRead {
  const found = measureAnimal(picture, at)
  return { found, suggested: typeof found === 'string' || rungs < 2 ? null : suggestRung(photos, rungs, found) }
}

const api = { practice, guess, read }
export type MeterApi = typeof api
expose(api)
