import { expose, transfer } from 'comlink'
import { findBlobs, type Picture } from '#core/counting'
import {
  type AnimalMeasured,
  animalPicture,
  type AnimalPicture,
  type AnimalScene,
  type GradedPhoto,
  labOf,
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
/** Where an animal may be: of the large things in a picture the most colourful; null where nothing stands out. */
function guess(picture: Picture): Spot | null {
  const { blobs } = findBlobs(picture, { largest: picture.width * picture.height })
  const most = Math.max(0, ...blobs.map(b => b.area))
  const spots = blobs.filter(b => b.area > most / 5).map(b => ({ x: Math.round(b.x), y: Math.round(b.y) }))
  return spots.toSorted((a, b) => chromaAt(picture, b) - chromaAt(picture, a))[0] ?? null
}
/** How colourful a picture is around a spot: a card is grey. */
function chromaAt({ data, width, height }: Picture, { x, y }: Spot): number {
  let most = 0
  for (let v = Math.max(0, y - 6); v < Math.min(height, y + 7); v += 3)
    for (let u = Math.max(0, x - 6); u < Math.min(width, x + 7); u += 3) {
      const at = 4 * (v * width + u)
      const { a, b } = labOf([data[at]! / 255, data[at + 1]! / 255, data[at + 2]! / 255])
      most = Math.max(most, Math.hypot(a, b))
    }
  return most
}
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
