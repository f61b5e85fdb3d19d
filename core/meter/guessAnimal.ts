import { findBlobs, type Picture } from '#core/counting'
import type { Spot } from './animalPicture'
import { labOf } from './lab'

/** Of things smaller than this part of the largest none is the animal (from memory). */
const LARGE = 1 / 5
/** How far around its middle a thing is looked at, and in which steps, in pixels. */
const LOOK = 6
const STEP = 3

/** Where an animal may be: of the large things in a picture the most colourful; null where nothing stands out. */
export function guessAnimal(picture: Picture): Spot | null {
  const { blobs } = findBlobs(picture, { largest: picture.width * picture.height })
  const most = Math.max(0, ...blobs.map(b => b.area))
  const spots = blobs.filter(b => b.area > LARGE * most).map(b => ({ x: Math.round(b.x), y: Math.round(b.y) }))
  return spots.toSorted((a, b) => chromaAt(picture, b) - chromaAt(picture, a))[0] ?? null
}

/** How colourful a picture is around a spot: a card is grey. */
function chromaAt({ data, width, height }: Picture, { x, y }: Spot): number {
  let most = 0
  for (let v = Math.max(0, y - LOOK); v < Math.min(height, y + LOOK + 1); v += STEP)
    for (let u = Math.max(0, x - LOOK); u < Math.min(width, x + LOOK + 1); u += STEP) {
      const at = 4 * (v * width + u)
      const { a, b } = labOf([data[at]! / 255, data[at + 1]! / 255, data[at + 2]! / 255])
      most = Math.max(most, Math.hypot(a, b))
    }
  return most
}
