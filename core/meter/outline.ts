import type { Picture } from '#core/counting'
import { deltaE, labOf, type Lab } from './lab'
import {
  connected,
  grown,
  largestPart,
  type Mask,
  type Outline,
  outlineOf,
  shrunk,
  type Size,
  withoutHoles,
} from './mask'
import type { Spot } from './animalPicture'

/** Window in which the ground is told, beside the picture's width: wider than an animal is thick. */
const RING = 0.08
/** So many spreads of the ground away from it is no ground any more. */
const FAR = 3
/** Yet no less than what a sensor's noise does (ΔE, from memory). */
const LEAST = 3.5

/** All colours of a picture, row by row. */
export function labsOf({ width, height, data }: Picture): Lab[] {
  return Array.from({ length: width * height }, (_, i) =>
    labOf([data[4 * i]! / 255, data[4 * i + 1]! / 255, data[4 * i + 2]! / 255]),
  )
}

/**
 * The animal that was tapped on: what differs from the ground, hangs together with the spot, and has its holes filled.
 * The ground is a plane of colour through the rim of the picture (light falls off to a side), by least squares without
 * what lies far from it.
 * @param without pixels that are no ground either, such as the card
 * @returns null where nothing differs at the spot
 */
export function outlineAt(picture: Picture, labs: readonly Lab[], spot: Spot, without?: Outline): Outline | null {
  const { width, height } = picture
  const smooth = blurred(labs, width, height)
  const { plane, spread } = groundPlane(smooth, picture, without)
  const limit = Math.max(LEAST, FAR * spread)
  const differs = new Uint8Array(width * height)
  for (let i = 0; i < differs.length; i++) {
    if (without?.mask[i]) continue
    const g = plane(i % width, Math.floor(i / width))
    const c = smooth[i]!
    if (deltaE(c, g) > limit) differs[i] = 1
  }
  // the line of a clear shell is thin: gaps in it are closed before it is followed
  const wide = grown(differs, picture, GAP)
  const start = nearest(wide, picture, spot)
  return start === null ? null : trimmed(connected(wide, picture, [start]), picture)
}

/** A three by three mean: noise of single pixels is no edge. */
function blurred(labs: readonly Lab[], width: number, height: number): Lab[] {
  return labs.map((_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)]
    const sum = { l: 0, a: 0, b: 0 }
    let n = 0
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        if (x + dx < 0 || x + dx >= width || y + dy < 0 || y + dy >= height) continue
        const c = labs[i + dy * width + dx]!
        sum.l += c.l
        sum.a += c.a
        sum.b += c.b
        n++
      }
    return { l: sum.l / n, a: sum.a / n, b: sum.b / n }
  })
}

/** The ground as a plane of each channel over the picture, and how far it spreads about it (middle ΔE). */
function groundPlane(labs: readonly Lab[], { width, height }: Picture, without?: Outline) {
  const rim = Math.round(RING * width)
  let use: number[] = []
  for (let i = 0; i < labs.length; i++) {
    const [x, y] = [i % width, Math.floor(i / width)]
    if ((x < rim || y < rim || x >= width - rim || y >= height - rim) && !without?.mask[i]) use.push(i)
  }
  let plane = fitPlane(labs, use, width)
  let spread = 0
  for (let round = 0; round < 3; round++) {
    const far = use.map(i => distanceTo(plane, labs[i]!, i, width))
    spread = far.toSorted((a, b) => a - b)[Math.floor(far.length / 2)]!
    const kept = use.filter((_, k) => far[k]! < 3 * spread + 1)
    if (kept.length < 50 || kept.length === use.length) break
    use = kept
    plane = fitPlane(labs, use, width)
  }
  return { plane, spread }
}

type Plane = (x: number, y: number) => Lab
const distanceTo = (plane: Plane, c: Lab, i: number, width: number) =>
  deltaE(c, plane(i % width, Math.floor(i / width)))

function fitPlane(labs: readonly Lab[], use: readonly number[], width: number): Plane {
  const n = use.length
  const mean = (of: (i: number) => number) => use.reduce((s, i) => s + of(i), 0) / n
  const [mx, my] = [mean(i => i % width), mean(i => Math.floor(i / width))]
  const dx = (i: number) => (i % width) - mx
  const dy = (i: number) => Math.floor(i / width) - my
  const [xx, xy, yy] = [mean(i => dx(i) ** 2), mean(i => dx(i) * dy(i)), mean(i => dy(i) ** 2)]
  const det = Math.max(1e-9, xx * yy - xy * xy)
  const channel = (of: (c: Lab) => number) => {
    const m = mean(i => of(labs[i]!))
    const [xc, yc] = [mean(i => dx(i) * (of(labs[i]!) - m)), mean(i => dy(i) * (of(labs[i]!) - m))]
    const [px, py] = [(yy * xc - xy * yc) / det, (xx * yc - xy * xc) / det]
    return (x: number, y: number) => m + px * (x - mx) + py * (y - my)
  }
  const [l, a, b] = [channel(c => c.l), channel(c => c.a), channel(c => c.b)]
  return (x, y) => ({ l: l(x, y), a: a(x, y), b: b(x, y) })
}

/** The pixel nearest to a spot that is set, within a finger's width. */
function nearest(mask: Uint8Array, { width, height }: Picture, { x, y }: Spot): number | null {
  const reach = Math.round(0.06 * width)
  let best: number | null = null
  let near = Infinity
  for (let v = Math.max(0, y - reach); v < Math.min(height, y + reach + 1); v++)
    for (let u = Math.max(0, x - reach); u < Math.min(width, x + reach + 1); u++) {
      const far = Math.hypot(u - x, v - y)
      if (mask[v * width + u] && far < near) {
        near = far
        best = v * width + u
      }
    }
  return best
}

/** The line of a shell may be broken for so many pixels and still be one. */
const GAP = 2

/**
 * What was grown to close gaps, as an outline: holes are filled, the growth is taken back, and specks that only hang on
 * by a thread fall off (opening, Serra 1982). The mean over neighbours has carried the edge a pixel outwards.
 */
function trimmed(wide: Mask, size: Size): Outline {
  const core = largestPart(shrunk(withoutHoles(wide, size), size, 2 * GAP), size)
  return outlineOf(shrunk(grown(core, size, GAP), size))
}
