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
  const luck = (...parts: number[]) => uniformAt(streamAt(seed, ...parts))
  const picture = { width, height, data }
  ground(picture, seed)
  for (let s = 0; s < 26; s++)
    stone(
      picture,
      { x: luck(1, s, 0) * width, y: height * (0.82 + 0.2 * luck(1, s, 1)), radius: 4 + 9 * luck(1, s, 2) },
      60 + 60 * luck(1, s, 3),
    )
  const places = Array.from({ length: animals }, (_, i) => {
    const home = { x: (0.03 + 0.94 * luck(2, i, 0)) * width, y: (0.08 + 0.86 * luck(2, i, 1)) * height }
    const wander = frame * halfLength[stage] * 1.6
    return {
      x: Math.min(width - 4, Math.max(4, home.x + (frame > 0 ? wander * normalFrom(luck(3, i, frame, 0)) : 0))),
      y: Math.min(height - 4, Math.max(4, home.y + (frame > 0 ? wander * normalFrom(luck(3, i, frame, 1)) : 0))),
      turn: 2 * Math.PI * luck(2, i, 2) + frame * luck(3, i, 2),
      tone: luck(2, i, 3),
      moved: luck(4, i, frame) < 0.12,
    }
  })
  for (const a of places) animal(picture, a, halfLength[stage])
  // plants stand in front, and glints lie on the glass
  for (let p = 0; p < 9; p++)
    plant(picture, {
      x: luck(5, p, 0) * width,
      foot: height * (0.5 + 0.5 * luck(5, p, 1)),
      tall: height * (0.2 + 0.35 * luck(5, p, 2)),
      lean: luck(5, p, 3),
    })
  for (let g = 0; g < 4; g++)
    glint(picture, luck(6, g, 0) * width, luck(6, g, 1) * height * 0.7, 10 + 30 * luck(6, g, 2))
  return { ...picture, animals: places.map(({ x, y }) => ({ x, y })) }
}

type Canvas = Picture
type Colour = readonly [red: number, green: number, blue: number]

/** Lays a share of a colour over a pixel, by its place in the data. */
function paint({ data }: Canvas, place: number, [red, green, blue]: Colour, share: number) {
  data[place] = data[place]! * (1 - share) + red * share
  data[place + 1] = data[place + 1]! * (1 - share) + green * share
  data[place + 2] = data[place + 2]! * (1 - share) + blue * share
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

/** Something round in the picture. */
interface Disc {
  x: number
  y: number
  radius: number
}

/** Calls for each pixel of a disc that lies in the picture; `inside` is 1 in its middle and 0 at its edge. */
function disc({ width, height }: Canvas, d: Disc, put: (place: number, inside: number) => void) {
  const [top, bottom] = [Math.max(0, Math.floor(d.y - d.radius)), Math.min(height - 1, d.y + d.radius)]
  const [left, right] = [Math.max(0, Math.floor(d.x - d.radius)), Math.min(width - 1, d.x + d.radius)]
  for (let y = top; y <= bottom; y++) {
    for (let x = left; x <= right; x++) {
      const off = Math.hypot(x - d.x, y - d.y) / d.radius
      if (off <= 1) put(4 * (y * width + x), 1 - off)
    }
  }
}

function stone(c: Canvas, d: Disc, tone: number) {
  const colour: Colour = [tone + 40, tone + 36, tone + 20]
  disc(c, d, (place, inside) => paint(c, place, colour, Math.min(1, 2 * inside)))
}

/** A bent body with a lighter back; one that moved is drawn three times, faintly. */
function animal(c: Canvas, a: { x: number; y: number; turn: number; tone: number; moved: boolean }, half: number) {
  const times = a.moved ? 3 : 1
  const firm = a.moved ? 0.3 : 0.75
  const colour: Colour = [150 + 50 * a.tone, 42 + 24 * a.tone, 28 + 20 * a.tone]
  for (let t = 0; t < times; t++) {
    const shift = t * half * 0.35
    const cos = Math.cos(a.turn)
    const sin = Math.sin(a.turn)
    for (let along = -1; along <= 1; along += 0.5 / half) {
      const bend = 0.3 * half * along * along
      const cx = a.x + shift + cos * along * half - sin * bend
      const cy = a.y + sin * along * half + cos * bend
      const radius = Math.max(1.1, half * 0.3 * (1 - 0.55 * Math.max(0, along)) * (1 - 0.35 * Math.max(0, -along)))
      disc(c, { x: cx, y: cy, radius }, (place, inside) => paint(c, place, colour, firm * Math.min(1, 0.5 + inside)))
    }
  }
}

function plant(c: Canvas, { x, foot, tall, lean }: { x: number; foot: number; tall: number; lean: number }) {
  for (let t = 0; t <= 1; t += 0.5 / tall) {
    const leaf = { x: x + (lean - 0.5) * 60 * t * t + 5 * Math.sin(t * 9), y: foot - tall * t, radius: 4.5 - 3 * t }
    disc(c, leaf, place => paint(c, place, [38, 84, 48], 0.9))
  }
}

function glint(c: Canvas, x: number, y: number, long: number) {
  for (let t = 0; t < long; t++)
    disc(c, { x: x + t * 0.3, y: y + t, radius: 2.2 }, (place, inside) =>
      paint(c, place, [244, 246, 240], 0.7 * inside),
    )
}
