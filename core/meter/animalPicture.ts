import type { Picture } from '#core/counting'
import { normalFrom, streamAt, uniformAt } from '#core/stats'
import { fromLinear, type Lab, labOf, type Rgb, rgbOf, toLinear } from './lab'

/** A picture of one animal that the stand-in camera is asked for. */
export interface AnimalScene {
  seed: number
  /** share of the body that is coloured, 0 to 1 */
  cover: number
  /** what it is coloured with */
  pigment: Lab
  card: 'white' | 'grey'
  /** colour and strength of the light: what each channel is multiplied by, linear */
  light: readonly [red: number, green: number, blue: number]
  /** how much darker one side of the picture is, 0 to 1 */
  slope: number
  /** body length as a share of the picture's width */
  size: number
}

/** A spot of the picture, in pixels. */
export interface Spot {
  x: number
  y: number
}

/** A synthetic picture with what is true of it. */
export interface AnimalPicture extends Picture {
  /** share of the body’s pixels that are coloured */
  cover: number
  pigment: Lab
  /** pixels of the body */
  bodyArea: number
  /** a spot on the animal, and one on the card */
  animalAt: Spot
  cardAt: Spot
}

const WIDTH = 320
const HEIGHT = 220
/** Lightness of the cards (common practice: printer paper; an 18 % grey card of the photo trade). */
export const CARD_L: Readonly<Record<AnimalScene['card'], number>> = { white: 95, grey: 49.5 }
/** How much of the ground a clear body lets through. */
const CLEAR = 0.62
/** Depth within the body up to which the line of the shell is seen. */
const EDGE = 0.16

/** Smooth noise: values at the knots of a lattice, joined by smoothstep. */
function noise(seed: number, scale: number): (x: number, y: number) => number {
  const knot = (i: number, j: number) => normalFrom(uniformAt(streamAt(seed, i + 1000, j + 1000)))
  const ease = (t: number) => t * t * (3 - 2 * t)
  return (x, y) => {
    const [u, v] = [x / scale, y / scale]
    const [i, j] = [Math.floor(u), Math.floor(v)]
    const [s, t] = [ease(u - i), ease(v - j)]
    const top = knot(i, j) * (1 - s) + knot(i + 1, j) * s
    const foot = knot(i, j + 1) * (1 - s) + knot(i + 1, j + 1) * s
    return top * (1 - t) + foot * t
  }
}

/**
 * A stand-in for a camera: one animal that is not there, on a ground that is no wall, beside a card. It has what makes
 * colour hard to read: cast light that falls off to one side, clear tissue through which the ground shows, pigment that
 * is uneven, legs and feelers that are thin, a shine on the back, and the noise of a cheap sensor. All of it follows
 * from the seed.
 */
export function animalPicture(scene: AnimalScene): AnimalPicture {
  const { seed, light, slope, size } = scene
  // what no screen shows is shown as near as one can
  const pigment = labOf(inGamut(rgbOf(scene.pigment)))
  const luck = (...parts: number[]) => uniformAt(streamAt(seed, ...parts))
  const length = size * WIDTH
  const middle = { x: WIDTH * (0.36 + 0.08 * luck(1)), y: HEIGHT * (0.45 + 0.12 * luck(2)) }
  const turn = 0.9 * (luck(3) - 0.5)
  const card = { x: WIDTH * 0.8, y: HEIGHT * (0.2 + 0.5 * luck(4)), half: 20 + 8 * luck(5), turn: luck(6) - 0.5 }
  const body = bodyOf(middle, length, turn)
  const patches = noise(streamAt(seed, 7), length / 5)
  const inside = spots().filter(p => body(p) > 0)
  // as many of the body’s pixels as the cover says, where the patches lie highest
  const order = inside.map(p => patches(p.x, p.y)).toSorted((a, b) => b - a)
  const border = order[Math.min(order.length - 1, Math.round(scene.cover * order.length))] ?? Infinity
  const ground = groundOf(seed, luck)
  const uneven = noise(streamAt(seed, 8), 9)
  const cardLinear = linear({ l: CARD_L[scene.card], a: 0, b: 0 })
  const data = new Uint8ClampedArray(WIDTH * HEIGHT * 4)
  let coloured = 0
  for (const p of spots()) {
    const at = p.y * WIDTH + p.x
    let seen = ground(p)
    if (onCard(p, card)) seen = cardLinear
    const thick = body(p)
    if (thick > 0) {
      const isColoured = patches(p.x, p.y) >= border
      if (isColoured) coloured++
      // clear tissue is milky: it lets most of the ground through, and adds a little of its own
      const shade = linear({ ...pigment, l: Math.max(2, pigment.l + 2.2 * uneven(p.x, p.y)) })
      const milk = linear({ l: 78, a: 0, b: 6 })
      const own = isColoured ? shade : milk
      const through = isColoured ? 0.01 : CLEAR
      seen = seen.map((g, c) => g * through + own[c]! * (1 - through))
      // the edge of the shell is a line, and the back shines
      if (thick < EDGE) seen = seen.map(v => 0.55 * v)
      if (thick > 0.86 && luck(9, at) < 0.25) seen = seen.map(v => v + 0.35)
    }
    const dim = 1 - slope * (p.x / WIDTH)
    for (let c = 0; c < 3; c++) {
      const lit = fromLinear(Math.min(1, Math.max(0, seen[c]! * light[c]! * dim)))
      data[4 * at + c] = Math.round(255 * lit + 3 * normalFrom(luck(10, at, c)))
    }
    data[4 * at + 3] = 255
  }
  return {
    ...{
      width: WIDTH,
      height: HEIGHT,
      data,
      pigment,
      cover: inside.length > 0 ? coloured / inside.length : 0,
      bodyArea: inside.length,
    },
    animalAt: { x: Math.round(middle.x), y: Math.round(middle.y) },
    cardAt: { x: Math.round(card.x), y: Math.round(card.y) },
  }
}

const inGamut = (rgb: Rgb): Rgb => rgb.map(c => Math.min(1, Math.max(0, c))) as unknown as Rgb
const linear = (lab: Lab): number[] => inGamut(rgbOf(lab)).map(toLinear)
const spots = (): Spot[] =>
  Array.from({ length: WIDTH * HEIGHT }, (_, i) => ({ x: i % WIDTH, y: Math.floor(i / WIDTH) }))

function onCard(p: Spot, { x, y, half, turn }: Spot & { half: number; turn: number }): boolean {
  const [u, v] = turned(p, { x, y }, turn)
  return Math.abs(u) < half && Math.abs(v) < 0.8 * half
}

const turned = (p: Spot, about: Spot, turn: number): [number, number] => {
  const [dx, dy] = [p.x - about.x, p.y - about.y]
  return [dx * Math.cos(turn) + dy * Math.sin(turn), dy * Math.cos(turn) - dx * Math.sin(turn)]
}

/** How far within the body a spot lies: 0 outside, 1 in its middle. A bent back, a fan of a tail, legs and feelers. */
function bodyOf(middle: Spot, length: number, turn: number): (p: Spot) => number {
  return p => {
    const [u, v] = turned(p, middle, turn)
    const s = u / (length / 2)
    if (s < -1 || s > 1.35) return 0
    const bend = 0.16 * length * (s * s - 0.3)
    const off = v - bend
    const wide = 0.15 * length * Math.sqrt(Math.max(0, 1 - s * s)) * (s > 0 ? 1 : 0.8)
    if (wide > 0 && Math.abs(off) < wide) return 1 - Math.abs(off) / wide
    const tail = s < -0.8 && s > -1 && Math.abs(off) < 0.1 * length * (0.4 - (s + 0.8))
    return tail ? 0.2 : 0
  }
}

/** Sand or leaves: two colours in grains. */
function groundOf(seed: number, luck: (...parts: number[]) => number): (p: Spot) => number[] {
  const base: Lab = { l: 30 + 55 * luck(11), a: 2 * luck(12), b: 8 + 10 * luck(13) }
  const rough = noise(streamAt(seed, 14), 3)
  const wide = noise(streamAt(seed, 15), 40)
  return p => linear({ ...base, l: base.l + 1.6 * rough(p.x, p.y) + 2 * wide(p.x, p.y) })
}
