import type { SignId } from '~/words/signs'

/**
 * Signs drawn by us in a box of 120 × 70. Parts are painted in their order: `body` and `soft` are an animal, solid or
 * seen through, `clear` an empty skin, `pale` what has died; `line` is thin on it, `gap` shows the ground, `egg` and
 * `ripe` are eggs, `dark` small dark marks, `white` chalky ones.
 */
export interface SignPart {
  d: string
  as: 'body' | 'soft' | 'clear' | 'pale' | 'line' | 'thin' | 'gap' | 'egg' | 'ripe' | 'dark' | 'white' | 'shell' | 'bud'
}
export interface SignFigure {
  parts: SignPart[]
  /** turned over by so many degrees: what lies on its back */
  turn?: number
}

const part = (as: SignPart['as'], d: string): SignPart => ({ as, d })
const dot = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`
const dots = (at: readonly (readonly [number, number])[], r: number) => at.map(([x, y]) => dot(x, y, r)).join('')

/** A shrimp from the side: head to the left, tail fan to the right. */
const SHRIMP =
  'M20 33l-9-4 11-1c6-9 16-14 31-14 20 0 34 9 43 26l13 2-9 5 7 9-13-4c-7-1-11-5-14-9-7-6-15-8-23-7-10 5-22 7-31 3' +
  '-4-1-6-4-6-6z'
/** The same, slim and straight underneath; and with a deep belly. */
const SLIM =
  'M24 33l-9-3 11-2c6-6 15-9 28-9 17 0 29 6 38 18l12 1-8 4 6 8-12-3c-6-1-10-3-13-6-14-4-40-2-49-3-3 0-4-3-4-5z'
const DEEP =
  'M16 33l-9-4 11-2c6-10 18-15 34-15 22 0 37 10 46 27l13 2-9 5 7 9-13-4c-5 6-14 7-21 3-7 4-15 3-21-3-10 4-23 4-32-1' +
  '-4-3-6-10-6-17z'
const FEELERS = 'M19 31C12 26 9 17 3 13M19 32C11 31 6 25 1 25'
const LEGS = 'M34 41l-5 13M40 42l-4 14M46 41l-2 14'
const SWIMMERETS = 'M60 37l2 8M67 38l3 8M74 41l3 7M81 45l4 6'
/** Where eggs sit under the tail. */
const EGGS = [
  ...([56, 61, 66, 71, 76] as const).map((x, i) => [x, 39 + i * 0.8] as const),
  ...([58.5, 63.5, 68.5, 73.5, 78.5] as const).map((x, i) => [x, 44 + i * 0.8] as const),
  ...([61, 66, 71, 76] as const).map((x, i) => [x, 49 + i * 0.8] as const),
]
const EYES = EGGS.flatMap(([x, y]) => [[x - 1.1, y - 0.4] as const, [x + 1.1, y - 0.4] as const])
const shrimp = (as: SignPart['as'], d = SHRIMP) => [part('thin', FEELERS), part('line', LEGS), part(as, d)]

/** A crayfish from below: shield, legs, tail. */
const CRAY = [
  part('line', 'M50 20L30 10M50 26L28 24M50 32L30 38M70 20l20-10M70 26l22-2M70 32l20 6M52 12L40 2M68 12L80 2'),
  part('soft', 'M60 4c9 0 14 8 14 19s-5 18-14 18-14-7-14-18 5-19 14-19z'),
  part('soft', 'M50 42h20l-2 20c6 1 8 3 9 6H43c1-3 3-5 9-6z'),
  part('thin', 'M51 48h18M52 53h16M52 58h16'),
]

/** A shell from the side: whorls from the middle outwards. */
const SHELL = dot(60, 36, 29)
const WHORLS =
  'M60 36a3 3 0 0 1 6 0a6 6 0 0 1-12 0a9 9 0 0 1 18 0a12 12 0 0 1-24 0a15 15 0 0 1 30 0a18 18 0 0 1-36 0a21 21 0 0 1 ' +
  '42 0a24 24 0 0 1-48 0'
const shell = [part('shell', SHELL), part('line', WHORLS)]

/** A clutch: eggs in a honeycomb. */
const CELLS = [0, 1, 2, 3, 4].flatMap(row =>
  Array.from(
    { length: row % 2 === 0 ? 8 : 7 },
    (_, k) => [29 + 9 * k + (row % 2 === 0 ? 0 : 4.5), 17 + 8.5 * row] as const,
  ),
)
const LEFT = CELLS.filter((_, k) => k % 3 !== 1 && k % 7 !== 2)

/** The side of a crab with one leg; the stump of another. */
const CRAB = part('body', 'M2 20c16-6 32-2 34 14s-10 28-30 28H2z')
const LEG = part('line', 'M34 30l24-12 26 10 22 26')

export const signFigures: Readonly<Record<SignId, SignFigure>> = {
  shedSkin: {
    parts: [
      part('thin', FEELERS),
      part('thin', LEGS),
      part('clear', SHRIMP),
      part('gap', 'M44 12l8 10'),
      part('thin', SWIMMERETS),
    ],
  },
  dead: { parts: shrimp('pale'), turn: 180 },
  saddle: {
    parts: [
      ...shrimp('soft'),
      part('line', SWIMMERETS),
      part('egg', 'M33 21c6-5 13-6 19-6-1 7-7 12-16 11-3-1-4-3-3-5z'),
    ],
  },
  freshEggs: { parts: [...shrimp('soft'), part('egg', dots(EGGS, 2.9))] },
  eyedEggs: { parts: [...shrimp('soft'), part('ripe', dots(EGGS, 2.9)), part('dark', dots(EYES, 0.75))] },
  healthyNeck: { parts: [...shrimp('body'), part('line', SWIMMERETS)] },
  gap: {
    parts: [
      ...shrimp('body'),
      part('line', SWIMMERETS),
      part('gap', 'M52 12c-2 9-2 18 1 27'),
      part('white', 'M50 14c-2 8-2 16 0 24h4c-2-8-2-16 0-24z'),
    ],
  },
  shrimpFemale: { parts: shrimp('body', DEEP) },
  shrimpMale: { parts: shrimp('body', SLIM) },
  riverFemale: {
    parts: [
      ...shrimp('soft'),
      part('line', 'M28 27h8M40 25h9M53 24h9M66 26h9M79 31h7M31 33h8M43 31h9M56 30h9M69 33h8'),
    ],
  },
  riverMale: {
    parts: [
      ...shrimp('soft'),
      part(
        'dark',
        dots(
          [
            [29, 27],
            [35, 25],
            [41, 25],
            [47, 24],
            [53, 24],
            [59, 24],
            [65, 26],
            [71, 28],
            [77, 31],
            [83, 35],
            [33, 33],
            [40, 32],
            [47, 31],
            [54, 30],
            [61, 30],
            [68, 33],
            [75, 36],
          ],
          1.5,
        ),
      ),
    ],
  },
  crayFemale: { parts: CRAY },
  crayMale: { parts: [...CRAY, part('bud', 'M55 48l2-14h3l-1 14zM65 48l-2-14h-3l1 14z')] },
  evenShell: { parts: shell },
  whiteShell: {
    parts: [
      ...shell,
      part('white', `${dot(57, 32, 4.4)}${dot(65, 40, 4.2)}${dot(53, 41, 3.4)}${dot(67, 30, 3.2)}${dot(60, 46, 2.8)}`),
    ],
  },
  pitShell: {
    parts: [
      ...shell,
      part('gap', 'M57 34l6 4M60 31l3 3'),
      part(
        'dark',
        dots(
          [
            [60, 36],
            [56, 33],
            [64, 33],
            [57, 40],
            [64, 40],
            [69, 36],
            [50, 34],
            [61, 29],
            [60, 44],
            [72, 43],
            [47, 42],
          ],
          1.7,
        ),
      ),
    ],
  },
  freshClutch: { parts: [part('egg', dots(CELLS, 4.4))] },
  ripeClutch: {
    parts: [
      part('ripe', dots(CELLS, 4.4)),
      part(
        'dark',
        dots(
          CELLS.map(([x, y]) => [x + 0.8, y + 0.6] as const),
          1.5,
        ),
      ),
    ],
  },
  hatchedClutch: {
    parts: [
      part('clear', dots(LEFT, 4.4)),
      part(
        'ripe',
        dots(
          LEFT.filter((_, k) => k % 4 === 0),
          3,
        ),
      ),
    ],
  },
  wholeLimb: { parts: [LEG, CRAB] },
  limbBud: { parts: [part('line', 'M34 30l20-9'), CRAB, part('bud', 'M53 15c8-2 13 2 13 6s-5 7-11 6z')] },
}
