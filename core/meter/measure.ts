import type { Picture } from '#core/counting'
import { type AnimalScene, CARD_L, type Spot } from './animalPicture'
import { deltaE, depthOf, fromLinear, type Lab, labOf, rgbOf, toLinear } from './lab'
import { grown, membersOf, type Outline, outlineOf, shrunk } from './mask'
import { labsOf, outlineAt } from './outline'

/** What may be wrong with the light or the picture. */
export type LightWarning = 'tooBright' | 'tooDark' | 'cast' | 'uneven' | 'tooSmall'

/** What was read off a picture of one animal. */
export interface AnimalMeasured {
  animal: Outline
  card: Outline
  /** share of the body that is coloured, 0 to 1 */
  cover: number
  /** the colour that it is covered with, as daylight shows it; null where hardly any is */
  pigment: Lab | null
  /** how far that colour lies from white, ΔE*ab; 0 where hardly any is */
  depth: number
  warnings: LightWarning[]
}

/** Two colours nearer than this are one (ΔE, from memory). */
const ONE_COLOUR = 14
/** Tissue that lies farther from clear than this is coloured, where all looks alike (ΔE, from memory). */
const COLOURED = 24
/** Less cover than this has no depth to speak of. */
const HARDLY = 0.02
/** Smallest animal and card, in pixels (from memory). */
const LEAST_AREA = 40
const SMALL = { animal: 300, card: 120 }

/**
 * Cover and depth of one animal. The card tells the light: each channel is multiplied so that the card is neutral and
 * as light as it is (von Kries), and where light falls off to one side the ground tells by how much. Coloured and clear
 * tissue are told apart as the two kinds of colour that the body has (two means, Lloyd 1982).
 * @param at a spot on the animal, and one on the card
 * @returns a sentence's key where the animal or the card is not found
 */
export function measureAnimal(
  picture: Picture,
  at: { animal: Spot; card: Spot; kind: AnimalScene['card'] },
): AnimalMeasured | 'noCard' | 'noAnimal' {
  const raw = labsOf(picture)
  const card = outlineAt(picture, raw, at.card)
  if (!card || card.area < SMALL.card) return 'noCard'
  // who taps on the card’s edge means the card
  if (grown(card.mask, picture, 4)[at.animal.y * picture.width + at.animal.x]) return 'noAnimal'
  const animal = outlineAt(picture, raw, at.animal, card)
  if (!animal || animal.area < LEAST_AREA) return 'noAnimal'
  const light = lightOf(picture, card, at.kind)
  const fall = fallOff(picture, card, animal)
  const gains = light.gains.map(g => g / fall)
  const lit = (i: number): Lab => litLab(picture, i, gains)
  const body = members(animal)
  const ground = middleLab(ringAround(animal, picture, card).map(lit))
  const { cover, pigment } = colouredOf(body.map(lit), ground, own => smoothed(own, body, picture))
  const warnings: LightWarning[] = [...light.warnings]
  if (Math.abs(Math.log(fall)) > Math.log(1.35)) warnings.push('uneven')
  if (animal.area < SMALL.animal) warnings.push('tooSmall')
  return { animal, card, cover, pigment, depth: pigment ? depthOf(pigment) : 0, warnings }
}

const members = ({ mask }: Outline): number[] => membersOf(mask)

/** A pixel as daylight would show it. */
function litLab({ data }: Picture, i: number, gains: readonly number[]): Lab {
  const [r, g, b] = [0, 1, 2].map(c => fromLinear(Math.min(1, toLinear(data[4 * i + c]! / 255) * gains[c]!)))
  return labOf([r!, g!, b!])
}

/** What each channel is to be multiplied by, linear, so that the card is what it is. */
function lightOf(picture: Picture, card: Outline, kind: AnimalScene['card']) {
  const inner = members(inside(card, picture, 3))
  const use = inner.length > 30 ? inner : members(card)
  const means = [0, 1, 2].map(c => middle(use.map(i => toLinear(picture.data[4 * i + c]! / 255))))
  const target = toLinear(rgbOf({ l: CARD_L[kind], a: 0, b: 0 })[1])
  const warnings: LightWarning[] = []
  const clipped = use.filter(i => [0, 1, 2].some(c => picture.data[4 * i + c]! > 250)).length / use.length
  if (clipped > 0.1) warnings.push('tooBright')
  if (Math.max(...means) < 0.25 * target) warnings.push('tooDark')
  if (Math.max(...means) > 1.8 * Math.min(...means)) warnings.push('cast')
  return { gains: means.map(m => target / Math.max(1e-4, m)), warnings }
}

/** Light at the animal beside that at the card, by the ground around each. */
function fallOff(picture: Picture, card: Outline, animal: Outline): number {
  const luminance = (list: readonly number[]) => {
    const light = list.map(i => {
      const [r, g, b] = [0, 1, 2].map(c => toLinear(picture.data[4 * i + c]! / 255))
      return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
    })
    return light.length > 0 ? middle(light) : 1
  }
  const [atAnimal, atCard] = [
    luminance(ringAround(animal, picture, card)),
    luminance(ringAround(card, picture, animal)),
  ]
  return Math.min(2, Math.max(0.5, atAnimal / Math.max(1e-4, atCard)))
}

/** Ground about a thing: a band of some pixels, a few away from its edge. */
function ringAround(thing: Outline, picture: Picture, other: Outline): number[] {
  const inner = grown(thing.mask, picture, 4)
  return membersOf(grown(inner, picture, 8)).filter(i => !inner[i] && !other.mask[i])
}

/** An outline less so many pixels of its edge. */
const inside = ({ mask }: Outline, picture: Picture, by: number): Outline => outlineOf(shrunk(mask, picture, by))

const middle = (list: readonly number[]) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0
const middleLab = (list: readonly Lab[]): Lab => ({
  l: middle(list.map(c => c.l)),
  a: middle(list.map(c => c.a)),
  b: middle(list.map(c => c.b)),
})

/** What clear tissue adds to the ground that shows through: whitish, a little yellow (from memory). */
const MILK: Lab = { l: 84, a: 0, b: 5 }

/** How far a colour lies from all that clear tissue may look like: anything between the ground and milk. */
function fromClear(c: Lab, ground: Lab): number {
  const along = { l: MILK.l - ground.l, a: MILK.a - ground.a, b: MILK.b - ground.b }
  const dot = (c.l - ground.l) * along.l + (c.a - ground.a) * along.a + (c.b - ground.b) * along.b
  const t = Math.min(1, Math.max(0, dot / Math.max(1, along.l ** 2 + along.a ** 2 + along.b ** 2)))
  return deltaE(c, { l: ground.l + t * along.l, a: ground.a + t * along.a, b: ground.b + t * along.b })
}

/** Each pixel goes with most of its neighbours: a shine on the back is no hole in the colour. */
function smoothed(own: readonly boolean[], body: readonly number[], { width }: Picture): boolean[] {
  const at = new Map(body.map((i, k) => [i, own[k]!]))
  return body.map(i => {
    let [more, all] = [0, 0]
    for (let dy = -2; dy <= 2; dy++)
      for (let dx = -2; dx <= 2; dx++) {
        const there = at.get(i + dy * width + dx)
        if (there !== undefined) all++
        if (there) more++
      }
    return 2 * more > all
  })
}

/** Which part of a body is coloured, and with what. */
function colouredOf(
  body: readonly Lab[],
  ground: Lab,
  smooth: (own: readonly boolean[]) => boolean[],
): { cover: number; pigment: Lab | null } {
  const order = body.toSorted((x, y) => fromClear(x, ground) - fromClear(y, ground))
  const at = (q: number) => order[Math.floor(q * (order.length - 1))]!
  let [clear, coloured] = [at(0.05), at(0.95)]
  let own: boolean[] = []
  for (let round = 0; round < 25; round++) {
    own = body.map(c => deltaE(c, coloured) < deltaE(c, clear))
    const sides = [body.filter((_, i) => !own[i]), body.filter((_, i) => own[i])]
    if (sides.some(s => s.length === 0)) break
    const next = sides.map(middleLab) as [Lab, Lab]
    const moved = deltaE(next[0], clear) + deltaE(next[1], coloured)
    ;[clear, coloured] = next
    if (moved < 0.05) break
  }
  const share = smooth(own).filter(Boolean).length / own.length
  if (deltaE(clear, coloured) < ONE_COLOUR) {
    const all = middleLab(body)
    return fromClear(all, ground) > COLOURED ? { cover: 1, pigment: all } : { cover: 0, pigment: null }
  }
  return { cover: share, pigment: share < HARDLY ? null : coloured }
}
