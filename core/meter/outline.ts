import type { Picture } from '#core/counting'
import { labOf, type Lab } from './lab'
import type { Spot } from './animalPicture'

/** The pixels of one thing in a picture: 1 where it is. */
export interface Outline {
  mask: Uint8Array
  area: number
}

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
    if (Math.hypot(c.l - g.l, c.a - g.a, c.b - g.b) > limit) differs[i] = 1
  }
  // the line of a clear shell is thin: gaps in it are closed before it is followed
  let wide: Uint8Array = differs
  for (let step = 0; step < GAP; step++) wide = grown(wide, width, height)
  const start = nearest(wide, picture, spot)
  return start === null ? null : filled(connected(wide, width, height, start), width, height)
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
const distanceTo = (plane: Plane, c: Lab, i: number, width: number) => {
  const g = plane(i % width, Math.floor(i / width))
  return Math.hypot(c.l - g.l, c.a - g.a, c.b - g.b)
}

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

/** Pixels that hang together with one, four ways. */
function connected(mask: Uint8Array, width: number, height: number, start: number): Uint8Array {
  const found = new Uint8Array(mask.length)
  const stack = [start]
  found[start] = 1
  while (stack.length > 0) {
    const i = stack.pop()!
    const [x, y] = [i % width, Math.floor(i / width)]
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const [u, v] = [x + dx, y + dy]
      if (u < 0 || v < 0 || u >= width || v >= height) continue
      const n = v * width + u
      if (mask[n] && !found[n]) {
        found[n] = 1
        stack.push(n)
      }
    }
  }
  return found
}

/** The line of a shell may be broken for so many pixels and still be one. */
const GAP = 2

/** Holes that do not reach the rim are filled, and what was grown to close gaps is taken back. */
function filled(wide: Uint8Array, width: number, height: number): Outline {
  const empty = wide.map(v => (v ? 0 : 1))
  const outside = connected(empty, width, height, 0)
  let all: Uint8Array = wide.map((_, i) => (outside[i] ? 0 : 1))
  // what was grown is taken back; then specks that only hang on by a thread fall off (opening, Serra 1982)
  for (let step = 0; step < 2 * GAP; step++) all = eroded(all, width, height)
  const core = largest(all, width, height)
  let back = core
  for (let step = 0; step < GAP; step++) back = grown(back, width, height)
  // the mean over neighbours has carried the edge a pixel outwards
  const mask = eroded(back, width, height)
  return { mask, area: mask.reduce((a, b) => a + b, 0) }
}

/** The largest part of a mask that hangs together. */
function largest(mask: Uint8Array, width: number, height: number): Uint8Array {
  let best = mask
  let most = 0
  const seen = new Uint8Array(mask.length)
  for (const [i, v] of mask.entries()) {
    if (!v || seen[i]) continue
    const part = connected(mask, width, height, i)
    let area = 0
    for (const [k, p] of part.entries())
      if (p) {
        seen[k] = 1
        area++
      }
    if (area > most) {
      most = area
      best = part
    }
  }
  return best
}

const around = (mask: Uint8Array, width: number, height: number, some: boolean) =>
  mask.map((v, i) => {
    const [x, y] = [i % width, Math.floor(i / width)]
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const inside = x + dx >= 0 && x + dx < width && y + dy >= 0 && y + dy < height
        if (inside && (mask[i + dy * width + dx] === 1) === some) return some ? 1 : 0
      }
    return v
  })
const grown = (mask: Uint8Array, width: number, height: number) => around(mask, width, height, true)
const eroded = (mask: Uint8Array, width: number, height: number) => around(mask, width, height, false)
