import type { Picture } from './tankPicture'

/** How animals are told from what is behind them. */
export interface BlobSettings {
  /** contrast that counts, 0 to 1; found from the picture when missing */
  threshold?: number
  /** smallest and largest animal in square pixels; found from the picture when missing */
  smallest?: number
  largest?: number
}

/** A suggestion: where an animal may be, and how large in pixels. */
export interface Blob {
  x: number
  y: number
  area: number
}

/** What the detector did, so that the keeper can turn its knobs. */
export interface BlobsFound {
  blobs: Blob[]
  threshold: number
  smallest: number
  largest: number
}

/** Window of the background beside the picture's width. */
const WINDOW = 1 / 14

/**
 * Suggests animals in a picture: what differs in colour from the mean of its surroundings, is neither too small nor too
 * large, and, where several touch, as many as lie in the blob by the distance to its edge.
 * Sources: local mean by summed areas (Crow 1984); threshold Otsu (1979), IEEE Trans. SMC 9: 62; chamfer distances
 * Borgefors (1986).
 * @throws RangeError for a picture whose bytes do not fit its size
 */
export function findBlobs(picture: Picture, settings: BlobSettings = {}): BlobsFound {
  const { width, height, data } = picture
  if (data.length !== 4 * width * height)
    throw new RangeError(`the picture must hold ${4 * width * height} bytes, got ${data.length}`)
  const contrast = contrastOf(picture)
  const threshold = settings.threshold ?? otsu(contrast)
  const mask = new Uint8Array(width * height)
  for (let i = 0; i < mask.length; i++) if (contrast[i]! > threshold) mask[i] = 1
  const parts = components(mask, width, height)
  const areas = parts.map(p => p.length).sort((a, b) => a - b)
  // specks are many: what is typical is told by the larger half
  const floor =
    settings.smallest ??
    Math.max(12, 0.25 * (areas.filter(a => a >= 12)[Math.floor(areas.filter(a => a >= 12).length * 0.6)] ?? 12))
  const typical = middle(areas.filter(a => a >= floor)) || floor
  const ceiling = settings.largest ?? typical * 12
  const blobs = parts.filter(p => p.length >= floor && p.length <= ceiling).flatMap(p => split(p, width, typical))
  return { blobs, threshold, smallest: floor, largest: ceiling }
}

const middle = (sorted: readonly number[]) => sorted[Math.floor(sorted.length / 2)] ?? 0

/**
 * How far each pixel lies from the mean of its surroundings, towards warm colours: most kept animals are redder, darker
 * or lighter than water and leaves, and a glint is bright without colour.
 */
function contrastOf({ width, height, data }: Picture): Float32Array {
  const radius = Math.max(6, Math.round((width * WINDOW) / 2))
  const value = new Float32Array(width * height)
  for (let i = 0; i < value.length; i++) {
    const r = data[4 * i]!
    const g = data[4 * i + 1]!
    const b = data[4 * i + 2]!
    // red against green and blue, and a little of the dark
    value[i] = (2 * r - g - b) / 510 + 0.15 * (1 - (r + g + b) / 765)
  }
  const sums = new Float64Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y++) {
    let row = 0
    for (let x = 0; x < width; x++) {
      row += value[y * width + x]!
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row
    }
  }
  const out = new Float32Array(width * height)
  for (let y = 0; y < height; y++) {
    const top = Math.max(0, y - radius)
    const foot = Math.min(height, y + radius + 1)
    for (let x = 0; x < width; x++) {
      const left = Math.max(0, x - radius)
      const right = Math.min(width, x + radius + 1)
      const mean =
        (sums[foot * (width + 1) + right]! -
          sums[top * (width + 1) + right]! -
          sums[foot * (width + 1) + left]! +
          sums[top * (width + 1) + left]!) /
        ((foot - top) * (right - left))
      out[y * width + x] = Math.abs(value[y * width + x]! - mean)
    }
  }
  return out
}

/** The contrast that best parts two kinds of pixels: largest variance between them. */
function otsu(values: Float32Array): number {
  const bins = 128
  let top = 0
  for (const v of values) if (v > top) top = v
  if (!(top > 0)) return 1
  const histogram = new Float64Array(bins)
  for (const v of values) histogram[Math.min(bins - 1, Math.floor((v / top) * bins))]!++
  let all = 0
  for (let i = 0; i < bins; i++) all += i * histogram[i]!
  let below = 0
  let sum = 0
  let best = 0
  let at = 0
  for (let i = 0; i < bins; i++) {
    below += histogram[i]!
    if (below === 0 || below === values.length) continue
    sum += i * histogram[i]!
    const gap = sum / below - (all - sum) / (values.length - below)
    const between = below * (values.length - below) * gap * gap
    if (between > best) {
      best = between
      at = i
    }
  }
  return ((at + 1) / bins) * top
}

/** Pixels that hang together, eight ways, as lists of indices. */
function components(mask: Uint8Array, width: number, height: number): Uint32Array[] {
  const found: Uint32Array[] = []
  const stack = new Uint32Array(mask.length)
  for (let start = 0; start < mask.length; start++) {
    if (mask[start] !== 1) continue
    let deep = 0
    let many = 0
    const members: number[] = []
    stack[deep++] = start
    mask[start] = 2
    while (deep > 0) {
      const i = stack[--deep]!
      members[many++] = i
      const x = i % width
      const y = (i - x) / width
      for (let dy = -1; dy <= 1; dy++) {
        for (let dx = -1; dx <= 1; dx++) {
          const nx = x + dx
          const ny = y + dy
          if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue
          const n = ny * width + nx
          if (mask[n] !== 1) continue
          mask[n] = 2
          stack[deep++] = n
        }
      }
    }
    found.push(Uint32Array.from(members))
  }
  return found
}

/** A blob as one animal, or as several where it is much larger than one: at the points farthest from the edge. */
function split(members: Uint32Array, width: number, typical: number): Blob[] {
  const many = Math.round(members.length / typical)
  if (many < 2) return [centre(members, width)]
  let left = Infinity
  let right = 0
  let top = Infinity
  let foot = 0
  for (const i of members) {
    const x = i % width
    const y = (i - x) / width
    left = Math.min(left, x)
    right = Math.max(right, x)
    top = Math.min(top, y)
    foot = Math.max(foot, y)
  }
  const w = right - left + 3
  const h = foot - top + 3
  const distance = new Float32Array(w * h)
  for (const i of members) distance[(Math.floor(i / width) - top + 1) * w + (i % width) - left + 1] = 1e6
  const pass = (order: 1 | -1) => {
    for (let k = order === 1 ? 0 : w * h - 1; k >= 0 && k < w * h; k += order) {
      if (distance[k] === 0) continue
      const near =
        order === 1
          ? [
              [k - 1, 1],
              [k - w, 1],
              [k - w - 1, 1.4],
              [k - w + 1, 1.4],
            ]
          : [
              [k + 1, 1],
              [k + w, 1],
              [k + w + 1, 1.4],
              [k + w - 1, 1.4],
            ]
      for (const [n, d] of near as [number, number][]) distance[k] = Math.min(distance[k]!, distance[n]! + d)
    }
  }
  pass(1)
  pass(-1)
  const points = Array.from(distance, (d, k) => ({ d, x: k % w, y: Math.floor(k / w) }))
    .filter(p => p.d > 0)
    .sort((a, b) => b.d - a.d)
  // animals lie at least about their own width apart
  const apart = 1.1 * Math.sqrt(typical)
  const peaks: typeof points = []
  for (const p of points) {
    if (peaks.length === many) break
    if (peaks.every(q => Math.hypot(p.x - q.x, p.y - q.y) >= apart)) peaks.push(p)
  }
  return peaks.map(p => ({ x: p.x + left - 1, y: p.y + top - 1, area: members.length / peaks.length }))
}

function centre(members: Uint32Array, width: number): Blob {
  let x = 0
  let y = 0
  for (const i of members) {
    x += i % width
    y += Math.floor(i / width)
  }
  return { x: x / members.length, y: y / members.length, area: members.length }
}
