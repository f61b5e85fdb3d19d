/**
 * A silhouette for each group, drawn by us in a box of 86 × 50. Parts are painted in their order: `fill` is the body,
 * `line` what is thin on it, `gap` what shows the ground through it.
 */
export interface FigurePart {
  d: string
  as: 'fill' | 'line' | 'gap'
  /** width of a line or gap */
  width?: number
}

const line = (d: string, width = 1.5): FigurePart => ({ d, as: 'line', width })
const gap = (d: string, width = 2): FigurePart => ({ d, as: 'gap', width })
const fill = (d: string): FigurePart => ({ d, as: 'fill' })

/** The body of a shrimp: head to the left, humped back, tail fan to the right. */
const shrimpBody = fill(
  'M15 23l-7-3 8 0c4-6 11-10 20-10 13 0 23 7 29 18l9 1-6 4 5 6-9-2c-4-1-6-4-8-7-5-4-10-6-15-6-8 4-17 ' +
    '5-23 2-3-1-4-2-3-3z',
)
const shrimpFeelers = line('M14 22C9 18 6 11 1 8M14 23C8 22 4 17 0 17', 1.2)
const shrimpLegs = line('M25 26l-4 10M30 27l-3 11M35 27l-1 11M41 25l2 7M46 25l3 7M51 27l3 7', 1.3)
const shrimp = [shrimpBody, shrimpFeelers, shrimpLegs]

const snailFoot = fill('M10 42c8-1 12-6 18-8h32c8 0 12 4 14 8z')
const snailFeelers = line('M15 40l-6-9M20 37l-3-9', 1.6)

export const groupFigures: Readonly<Record<string, readonly FigurePart[]>> = {
  neocaridina: shrimp,
  'bee-shrimp': [...shrimp, gap('M27 11c-2 5-2 10 0 15M41 10c-1 5-1 10 1 14M54 15c-2 4-2 8 0 12', 4)],
  'amphidromous-shrimp': [
    ...shrimp,
    gap('M22 20h3M29 19h4M37 18h4M45 19h4M53 22h3', 1.8),
    line('M15 23C24 40 10 44 6 47', 0.9),
  ],
  'fan-shrimp': [
    shrimpBody,
    line('M14 22C9 18 6 11 1 8', 1.2),
    line('M30 27l-3 11M35 27l-1 11M41 25l2 7M46 25l3 7M51 27l3 7', 1.3),
    line('M20 26l-6 7M14 33l-9-2M14 33l-9 2M14 33l-7 6M14 33l-3 9M14 33l1 9', 1.3),
  ],
  'brackish-pool-shrimp': [
    fill('M17 25l-6-2 7-1c5-5 12-7 20-6 11 1 19 5 26 11l9 0-6 4 4 5-8-2c-8-5-14-8-20-8-8 3-17 4-23 2-3-1-4-2-3-3z'),
    line('M16 24C10 20 6 15 1 13M16 25C10 25 5 23 1 23', 1.1),
    line('M26 28l-3 8M31 28l-2 8M36 28l0 8M42 27l2 6M47 28l3 6', 1.2),
  ],
  'ramshorn-snail': [
    snailFoot,
    snailFeelers,
    fill('M26 20a19 18 0 1 0 38 0a19 18 0 1 0-38 0z'),
    gap('M45 20a3 3 0 0 1 5 3a7 7 0 0 1-12-2a11 11 0 0 1 18-8a14 14 0 0 1 0 20', 1.9),
  ],
  'apple-snail': [
    snailFoot,
    line('M15 40C10 35 10 28 4 24M20 37C18 30 18 26 14 20', 1.6),
    fill('M25 34c-5-9-2-20 8-26 6-4 12-4 15 2 12-1 21 6 22 15 1 6-2 9-5 9z'),
    gap('M47 10c-5 1-8 5-8 9M33 8c4 0 7 1 9 4', 1.7),
  ],
  'nerite-snail': [
    snailFoot,
    snailFeelers,
    fill('M22 34c0-16 10-26 24-26s22 10 22 26z'),
    gap('M30 33c-1-9 3-17 9-22M39 33c-1-9 1-17 5-24M49 33c1-9 1-17-1-24M58 33c2-8 0-16-5-22', 1.7),
  ],
  'trumpet-snail': [
    fill('M6 42c7-1 9-5 14-7h22c4 0 6 3 7 7z'),
    line('M10 40l-6-7M14 37l-3-8', 1.5),
    fill('M22 36c-2-7 2-14 9-16L80 8 45 36z'),
    gap('M34 20c1 6 3 10 7 14M44 17c1 5 3 8 6 12M54 14c1 4 2 6 4 9M63 12c1 3 2 4 3 6', 1.5),
  ],
  'dwarf-crayfish': [
    fill('M22 22c4-6 12-8 22-7 8 1 14 4 18 7l10-5 2 4-5 4 5 4-2 4-10-5c-4 3-10 6-18 7-10 1-18-1-22-7-1-2-1-4 0-6z'),
    line('M23 20L12 13M23 30l-11 7M22 23C13 19 6 20 1 16M22 27C13 31 6 30 1 34', 1.4),
    fill('M14 14C8 15 4 12 2 7c5 0 9 1 13 5zM14 36c-6-1-10 2-12 7 5 0 9-1 13-5z'),
    line('M30 33l-3 7M36 35l-2 7M42 35l0 6M30 17l-3-7M36 15l-2-7M42 15l0-6', 1.3),
    gap('M46 16v18M52 17v16M58 19v12', 1.5),
  ],
  'burrowing-crayfish': [
    fill('M28 21c4-5 10-7 19-6 8 1 13 4 17 7l10-5 2 4-5 4 5 4-2 4-10-5c-4 3-9 6-17 7-9 1-15-1-19-6-2-3-2-5 0-8z'),
    line('M29 19L20 12M29 31l-9 7M28 24C20 22 12 24 7 22M28 26c-8 2-16 0-21 2', 1.4),
    fill('M22 15C13 20 4 15 2 3c6 4 9 4 11 1 5 1 9 4 11 9zM22 35c-9-5-18 0-20 12 6-4 9-4 11-1 5-1 9-4 11-9z'),
    line('M36 34l-2 6M42 35l-1 6M48 35l1 6M36 16l-2-6M42 15l-1-6M48 15l1-6', 1.3),
    gap('M51 16v18M57 17v16M62 20v10', 1.5),
  ],
  'land-crab': [
    fill('M26 24c2-7 8-11 17-11s15 4 17 11c1 6-6 13-17 13s-18-7-17-13z'),
    fill(
      'M29 18C20 17 15 12 15 5c5 0 6 3 7 5 0-3 2-5 5-5 3 5 4 9 2 13zM57 18c9-1 14-6 14-13-5 0-6 3-7 5 ' +
        '0-3-2-5-5-5-3 5-4 9-2 13z',
    ),
    line('M27 27l-13-1-5 6M28 31l-12 3-3 8M31 34l-8 6-1 6M59 27l13-1 5 6M58 31l12 3 3 8M55 34l8 6 1 6', 2),
    line('M38 14l-2-5M48 14l2-5', 1.6),
  ],
  'water-isopod': [
    fill('M16 25c3-8 18-12 34-11 12 1 20 5 22 11-2 6-10 10-22 11-16 1-31-3-34-11z'),
    gap('M27 16v18M35 14v22M43 13v24M51 14v22M58 15v20', 1.6),
    line('M17 23C11 17 6 16 2 10M17 27C11 33 6 34 2 40M71 23l10-4M71 27l10 4', 1.3),
    line('M26 34l-6 8M34 36l-4 8M43 36l-1 8M51 36l3 8M58 35l6 7', 1.3),
  ],
  'pool-branchiopod': [
    fill(
      'M12 20c3-4 8-5 12-2 4-2 8-3 13-3 9 0 15 3 21 7l20 5-20 1c-6 4-12 5-20 4-5 0-10-1-14-3-5 2-10 ' +
        '1-12-3-1-2-1-4 0-6z',
    ),
    line('M24 29l-3 9M28 30l-2 10M32 31l-2 10M36 31l-1 11M40 32l0 10M44 32l1 9M48 31l2 8M52 30l3 6', 1.5),
    line('M14 19C10 15 9 10 5 7M78 27l7-4M78 27l7 3', 1.3),
    gap('M17 21h.1', 3.4),
  ],
  custom: [fill('M43 5c9 12 15 19 15 27a15 14 0 0 1-30 0c0-8 6-15 15-27z'), gap('M43 24v16M35 32h16', 3)],
}
