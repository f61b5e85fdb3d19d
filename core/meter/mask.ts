/** Which pixels of a picture belong to something: 1 where they do, row by row. */
export type Mask = Uint8Array
/** Size of a picture in pixels. */
export interface Size {
  width: number
  height: number
}

/** The pixels of one thing in a picture. */
export interface Outline {
  mask: Mask
  area: number
}

const sumOf = (mask: Mask): number => mask.reduce((a, b) => a + b, 0)
export const outlineOf = (mask: Mask): Outline => ({ mask, area: sumOf(mask) })
/** Places of the pixels of a thing. */
export const membersOf = (mask: Mask): number[] => [...mask.keys()].filter(i => mask[i])

/** A mask grown by so many pixels, eight ways. */
export const grown = (mask: Mask, size: Size, by = 1): Mask => repeated(mask, by, m => around(m, size, true))
/** A mask less so many pixels of its edge, eight ways; the rim of the picture is no edge. */
export const shrunk = (mask: Mask, size: Size, by = 1): Mask => repeated(mask, by, m => around(m, size, false))

function repeated(mask: Mask, times: number, step: (m: Mask) => Mask): Mask {
  let now = mask
  for (let i = 0; i < times; i++) now = step(now)
  return now
}

/** Each pixel takes on what any of its neighbours is. */
function around(mask: Mask, { width, height }: Size, some: boolean): Mask {
  return mask.map((v, i) => {
    if ((v === 1) === some) return v
    const [x, y] = [i % width, Math.floor(i / width)]
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const inside = x + dx >= 0 && x + dx < width && y + dy >= 0 && y + dy < height
        if (inside && (mask[i + dy * width + dx] === 1) === some) return some ? 1 : 0
      }
    return v
  })
}

/** Pixels of a mask that hang together, four ways, with any of some. */
export function connected(mask: Mask, { width, height }: Size, starts: readonly number[]): Mask {
  const found = new Uint8Array(mask.length)
  const stack = starts.filter(i => mask[i])
  for (const i of stack) found[i] = 1
  const visit = (i: number) => {
    if (!mask[i] || found[i]) return
    found[i] = 1
    stack.push(i)
  }
  while (stack.length > 0) {
    const i = stack.pop()!
    const [x, y] = [i % width, Math.floor(i / width)]
    if (x > 0) visit(i - 1)
    if (x < width - 1) visit(i + 1)
    if (y > 0) visit(i - width)
    if (y < height - 1) visit(i + width)
  }
  return found
}

/** A mask without its holes: what is empty and does not hang together with the rim of the picture. */
export function withoutHoles(mask: Mask, size: Size): Mask {
  const { width, height } = size
  const empty = mask.map(v => 1 - v)
  const rim = [...mask.keys()].filter(i => {
    const [x, y] = [i % width, Math.floor(i / width)]
    return x === 0 || y === 0 || x === width - 1 || y === height - 1
  })
  return connected(empty, size, rim).map(v => 1 - v)
}

/** The largest part of a mask that hangs together. */
export function largestPart(mask: Mask, size: Size): Mask {
  let best = mask
  let most = 0
  const seen = new Uint8Array(mask.length)
  for (const [i, v] of mask.entries()) {
    if (!v || seen[i]) continue
    const part = connected(mask, size, [i])
    for (const k of membersOf(part)) seen[k] = 1
    if (sumOf(part) > most) {
      most = sumOf(part)
      best = part
    }
  }
  return best
}

/** Places of the pixels along the edge of a mask, to draw it. */
export const edgeOf = (mask: Mask, size: Size): number[] => {
  const inner = shrunk(mask, size)
  return [...mask.keys()].filter(i => mask[i] && !inner[i])
}
