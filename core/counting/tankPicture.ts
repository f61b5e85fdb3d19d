import { normalFrom, streamAt, uniformAt } from '#core/stats'

/** A picture as bytes: red, green, blue and opaque, row by row. */
export interface Picture {
  width: number
  height: number
  data: Uint8ClampedArray<ArrayBuffer>
}

/** Size of the animals in the picture. */
export type PictureStage = 'grown' | 'halfGrown' | 'young'

/** What the stand-in camera is asked for. */
export interface TankScene {
  width: number
  height: number
  animals: number
  stage: PictureStage
  seed: number
  /** frame of the same scene: the animals have moved a little */
  frame: number
}

/** A synthetic picture with what is true of it. */
export interface TankPicture extends Picture {
  /** middles of the animals in pixels */ animals: { x: number; y: number }[]
}

/** Half length of an animal in pixels. */
export const halfLength: Readonly<Record<PictureStage, number>> = { grown: 13, halfGrown: 8, young: 5 }

/**
 * A stand-in for a camera: a tank that is not there, with a known number of animals. It has what makes counting hard:
 * plants in front, glints on the glass, animals that overlap, some that moved while the shutter was open.
 * All of it follows from the seed; the frame moves animals but neither plants nor stones.
 * @throws RangeError for a picture without size or a negative number
 */
export function tankPicture(scene: TankScene): TankPicture {
  const { width, height, animals, stage, seed, frame } = scene
  if (!(width >= 16 && height >= 16))
    throw new RangeError(`the picture must be 16 px or more each way, got ${width} × ${height}`)
  if (!(Number.isInteger(animals) && animals >= 0))
    throw new RangeError(`animals must be a whole number from 0, got ${animals}`)
  const data = new Uint8ClampedArray(width * height * 4)
  const at = (...parts: number[]) => uniformAt(streamAt(seed, ...parts))
  const picture = { width, height, data }
  ground(picture, seed)
  for (let s = 0; s < 26; s++)
    stone(picture, at(1, s, 0) * width, height * (0.82 + 0.2 * at(1, s, 1)), 4 + 9 * at(1, s, 2), 60 + 60 * at(1, s, 3))
  const places = Array.from({ length: animals }, (_, i) => {
    const home = { x: (0.03 + 0.94 * at(2, i, 0)) * width, y: (0.08 + 0.86 * at(2, i, 1)) * height }
    const wander = frame * halfLength[stage] * 1.6
    return {
      x: Math.min(width - 4, Math.max(4, home.x + (frame > 0 ? wander * normalFrom(at(3, i, frame, 0)) : 0))),
      y: Math.min(height - 4, Math.max(4, home.y + (frame > 0 ? wander * normalFrom(at(3, i, frame, 1)) : 0))),
      turn: 2 * Math.PI * at(2, i, 2) + frame * at(3, i, 2),
      tone: at(2, i, 3),
      moved: at(4, i, frame) < 0.12,
    }
  })
  for (const a of places) animal(picture, a, halfLength[stage])
  // plants stand in front, and glints lie on the glass
  for (let p = 0; p < 9; p++)
    plant(
      picture,
      at(5, p, 0) * width,
      height * (0.5 + 0.5 * at(5, p, 1)),
      height * (0.2 + 0.35 * at(5, p, 2)),
      at(5, p, 3),
    )
  for (let g = 0; g < 4; g++) glint(picture, at(6, g, 0) * width, at(6, g, 1) * height * 0.7, 10 + 30 * at(6, g, 2))
  return { ...picture, animals: places.map(({ x, y }) => ({ x, y })) }
}

type Canvas = Picture

function paint({ width, height, data }: Canvas, x: number, y: number, r: number, g: number, b: number, share: number) {
  if (x < 0 || y < 0 || x >= width || y >= height) return
  const at = 4 * (y * width + x)
  data[at] = data[at]! * (1 - share) + r * share
  data[at + 1] = data[at + 1]! * (1 - share) + g * share
  data[at + 2] = data[at + 2]! * (1 - share) + b * share
}

/** Water that darkens downwards, with grain. */
function ground({ width, height, data }: Canvas, seed: number) {
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const grain = 9 * (uniformAt(streamAt(seed, 9) + y * width + x) - 0.5)
      const sand = y > height * 0.84 ? 26 : 0
      const light = 150 - (38 * y) / height + 10 * Math.sin((x / width) * 5) + grain
      const at = 4 * (y * width + x)
      data[at] = light * 0.86 + sand
      data[at + 1] = light + sand * 0.7
      data[at + 2] = light * 0.93
      data[at + 3] = 255
    }
  }
}

function disc(c: Canvas, cx: number, cy: number, radius: number, put: (x: number, y: number, inside: number) => void) {
  for (let y = Math.floor(cy - radius); y <= cy + radius; y++) {
    for (let x = Math.floor(cx - radius); x <= cx + radius; x++) {
      const d = Math.hypot(x - cx, y - cy) / radius
      if (d <= 1) put(x, y, 1 - d)
    }
  }
}

const stone = (c: Canvas, x: number, y: number, radius: number, tone: number) =>
  disc(c, x, y, radius, (px, py, inside) => paint(c, px, py, tone + 40, tone + 36, tone + 20, Math.min(1, 2 * inside)))

/** A bent body with a lighter back; one that moved is drawn three times, faintly. */
function animal(c: Canvas, a: { x: number; y: number; turn: number; tone: number; moved: boolean }, half: number) {
  const times = a.moved ? 3 : 1
  for (let t = 0; t < times; t++) {
    const shift = t * half * 0.35
    const cos = Math.cos(a.turn)
    const sin = Math.sin(a.turn)
    for (let along = -1; along <= 1; along += 0.5 / half) {
      const bend = 0.3 * half * along * along
      const cx = a.x + shift + cos * along * half - sin * bend
      const cy = a.y + sin * along * half + cos * bend
      const radius = Math.max(1.1, half * 0.3 * (1 - 0.55 * Math.max(0, along)) * (1 - 0.35 * Math.max(0, -along)))
      disc(c, cx, cy, radius, (px, py, inside) =>
        paint(
          c,
          px,
          py,
          150 + 50 * a.tone,
          42 + 24 * a.tone,
          28 + 20 * a.tone,
          (a.moved ? 0.3 : 0.75) * Math.min(1, 0.5 + inside),
        ),
      )
    }
  }
}

function plant(c: Canvas, x: number, foot: number, tall: number, lean: number) {
  for (let t = 0; t <= 1; t += 0.5 / tall) {
    const cx = x + (lean - 0.5) * 60 * t * t + 5 * Math.sin(t * 9)
    disc(c, cx, foot - tall * t, 4.5 - 3 * t, (px, py) => paint(c, px, py, 38, 84, 48, 0.9))
  }
}

function glint(c: Canvas, x: number, y: number, long: number) {
  for (let t = 0; t < long; t++)
    disc(c, x + t * 0.3, y + t, 2.2, (px, py, inside) => paint(c, px, py, 244, 246, 240, 0.7 * inside))
}
