import {
  animalPicture,
  deltaE,
  depthOf,
  type GradedPhoto,
  measureAnimal,
  practiceScene,
  suggestRung,
} from '#core/meter'
import { hashText, seededRandom } from '#core/stats'
import { normal } from './lines'

/** What one keeper’s photos told: how far off each was, and whether later ones were put on their rung. */
export interface MeterResult {
  groupId: 'meter'
  pictures: { cover: number | null; depth: number | null }[]
  suggested: number[]
}

/** Photos that a keeper has graded, and those that are then suggested. */
const OWN = 40
const LATER = 20
const RUNGS = 5

/**
 * A keeper who grades by eye, not by the meter: the true cover with a bend, how deep the colour is, and an error; rungs
 * of uneven width. The meter knows none of it.
 */
export const meterKeepers = (seeds: readonly number[]): MeterResult[] =>
  seeds.map(seed => {
    const random = seededRandom(hashText(`meter ${seed}`))
    const ofDepth = 0.2 + 0.5 * random()
    const bend = 0.8 + 0.5 * random()
    const cuts = Array.from({ length: RUNGS - 1 }, (_, k) => (k + 1) / RUNGS + 0.05 * (random() - 0.5))
    const photos: GradedPhoto[] = []
    const pictures: MeterResult['pictures'] = []
    while (photos.length < OWN + LATER) {
      const scene = practiceScene(Math.floor(1e9 * random()))
      const picture = animalPicture(scene)
      const read = measureAnimal(picture, { animal: picture.animalAt, card: picture.cardAt, kind: scene.card })
      if (typeof read === 'string') {
        pictures.push({ cover: null, depth: null })
        continue
      }
      pictures.push({
        cover: Math.abs(read.cover - picture.cover),
        depth: read.pigment && picture.cover > 0.02 ? deltaE(read.pigment, picture.pigment) : null,
      })
      const seen = picture.cover ** bend + (ofDepth * (depthOf(picture.pigment) - 65)) / 60 + 0.04 * normal(random)
      photos.push({ cover: read.cover, depth: read.depth, rung: cuts.filter(c => seen > c).length })
    }
    const own = photos.slice(0, OWN)
    return {
      groupId: 'meter',
      pictures,
      suggested: photos.slice(OWN).map(p => Math.abs(suggestRung(own, RUNGS, p).rung - p.rung)),
    }
  })

/** Shares of the pictures and suggestions that are near enough. */
export function meterTable(results: readonly MeterResult[]) {
  const pictures = results.flatMap(r => r.pictures)
  const depths = pictures.flatMap(p => p.depth ?? [])
  const suggested = results.flatMap(r => r.suggested)
  const part = <T>(list: readonly T[], of: (x: T) => boolean) => list.filter(of).length / list.length
  return {
    n: pictures.length,
    lost: part(pictures, p => p.cover === null),
    cover: part(pictures, p => p.cover !== null && p.cover <= 0.05),
    depth: part(depths, d => d <= 4),
    suggested: suggested.length,
    right: part(suggested, d => d === 0),
    withinOne: part(suggested, d => d <= 1),
  }
}
