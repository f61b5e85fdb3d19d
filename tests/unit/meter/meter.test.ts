import { differenceEuclidean, parse } from 'culori'
import { describe, expect, it } from 'vitest'
import {
  animalPicture,
  deltaE,
  depthOf,
  labOf,
  measureAnimal,
  outlineAt,
  practiceScene,
  rgbOf,
  suggestRung,
} from '#core/meter'
import type { Picture } from '#core/counting'
import { labsOf } from '../../../core/meter/outline'

/** Flat ground with a body, half of it coloured, and a card: all by hand. */
function flat({
  light = [1, 1, 1],
  ground = 60,
  card = 242,
}: { light?: number[]; ground?: number; card?: number } = {}) {
  const picture: Picture = { width: 120, height: 80, data: new Uint8ClampedArray(120 * 80 * 4) }
  const paint = (x: number, y: number, rgb: readonly number[]) => {
    for (let c = 0; c < 3; c++) picture.data[4 * (y * 120 + x) + c] = Math.round(rgb[c]! * light[c]!)
    picture.data[4 * (y * 120 + x) + 3] = 255
  }
  for (let y = 0; y < 80; y++)
    for (let x = 0; x < 120; x++) {
      paint(x, y, [ground, ground, ground])
      if (x >= 20 && x < 60 && y >= 30 && y < 50) paint(x, y, x < 40 ? [150, 40, 30] : [150, 150, 145])
      if (x >= 80 && x < 105 && y >= 20 && y < 45) paint(x, y, [card, card, card])
    }
  return picture
}
const at = { animal: { x: 40, y: 40 }, card: { x: 92, y: 32 }, kind: 'white' as const }
const measured = (picture: Picture, where = at) => {
  const read = measureAnimal(picture, where)
  if (typeof read === 'string') throw new Error(read)
  return read
}

describe('colours', () => {
  it('are those of CIE 15: white, black, and a published red', () => {
    expect(labOf([1, 1, 1])).toMatchObject({ l: expect.closeTo(100, 2), a: expect.closeTo(0, 1) })
    expect(labOf([0, 0, 0]).l).toBeCloseTo(0, 6)
    // sRGB red under D65 (Lindbloom, colour calculator): 53.24, 80.09, 67.20
    const red = labOf([1, 0, 0])
    expect([red.l, red.a, red.b].map(v => Number(v.toFixed(1)))).toEqual([53.2, 80.1, 67.2])
    const [r, g, b] = rgbOf(red)
    expect([r, g, b].map(v => Number(v.toFixed(4)))).toMatchObject([1, expect.closeTo(0, 4), expect.closeTo(0, 4)])
  })
  it('lie apart by ΔE*ab', () => {
    const [x, y] = [labOf([0.2, 0.4, 0.6]), labOf([0.6, 0.1, 0.1])]
    const theirs = differenceEuclidean('lab65')(parse('rgb(51 102 153)')!, parse('rgb(153 25.5 25.5)')!)
    expect(deltaE(x, y)).toBeCloseTo(theirs, 6)
    expect(depthOf({ l: 100, a: 0, b: 0 })).toBe(0)
    expect(depthOf({ l: 40, a: 30, b: 0 })).toBeCloseTo(Math.hypot(60, 30), 9)
  })
})

describe('an animal on a photo', () => {
  it('has its outline where it was tapped, holes filled, and not that of the card', () => {
    const picture = flat()
    const outline = outlineAt(picture, labsOf(picture), at.animal)!
    expect(outline.area).toBeGreaterThan(0.85 * 800)
    expect(outline.area).toBeLessThan(1.15 * 800)
    expect([outline.mask[40 * 120 + 40], outline.mask[32 * 120 + 92], outline.mask[5 * 120 + 5]]).toEqual([1, 0, 0])
    expect(outlineAt(flat({ ground: 60 }), labsOf(flat()), { x: 5, y: 75 })).toBeNull()
  })
  it('is covered by the share that is coloured, with its colour', () => {
    const read = measured(flat())
    expect(read.cover).toBeGreaterThan(0.46)
    expect(read.cover).toBeLessThan(0.54)
    expect(deltaE(read.pigment!, labOf([150 / 255, 40 / 255, 30 / 255]))).toBeLessThan(2.5)
    expect(read.depth).toBeCloseTo(depthOf(read.pigment!), 9)
    expect(read.warnings).toEqual([])
  })
  it('looks the same in coloured or weak light: the card tells', () => {
    const warm = measured(flat({ light: [0.9, 0.8, 0.62] }))
    expect(deltaE(warm.pigment!, measured(flat()).pigment!)).toBeLessThan(5)
    // and a card that is said to be grey makes it far lighter than one that is white
    const grey = measured(flat(), { ...at, kind: 'grey' as never })
    expect(grey.pigment!.l).toBeLessThan(measured(flat()).pigment!.l - 10)
  })
  it('looks the same where light falls off to a side: the ground tells by how much', () => {
    const fallen = flat()
    for (let i = 0; i < 120 * 80; i++)
      for (let c = 0; c < 3; c++) fallen.data[4 * i + c] = fallen.data[4 * i + c]! * (1 - (0.35 * (i % 120)) / 120)
    const [sloped, even] = [measured(fallen), measured(flat())]
    expect(deltaE(sloped.pigment!, even.pigment!)).toBeLessThan(4.5)
    expect(Math.abs(sloped.cover - even.cover)).toBeLessThan(0.04)
    expect(sloped.warnings).toContain('uneven')
  })
  it('warns of the light, and says what it does not find', () => {
    expect(measured(flat({ card: 255 })).warnings).toContain('tooBright')
    expect(measured(flat({ light: [0.4, 0.4, 0.4] })).warnings).toContain('tooDark')
    expect(measured(flat({ light: [1, 0.8, 0.5] })).warnings).toContain('cast')
    expect(measureAnimal(flat(), { ...at, card: { x: 110, y: 75 } })).toBe('noCard')
    expect(measureAnimal(flat(), { ...at, animal: { x: 10, y: 70 } })).toBe('noAnimal')
  })
  it('is read off pictures of the stand-in camera', () => {
    let [covers, depths, all] = [0, 0, 0]
    for (let seed = 4100; seed < 4108; seed++) {
      const scene = practiceScene(seed)
      const picture = animalPicture(scene)
      const read = measureAnimal(picture, { animal: picture.animalAt, card: picture.cardAt, kind: scene.card })
      all++
      if (typeof read === 'string') continue
      if (Math.abs(read.cover - picture.cover) <= 0.08) covers++
      if (!read.pigment || deltaE(read.pigment, picture.pigment) <= 5) depths++
    }
    expect(covers).toBeGreaterThanOrEqual(Math.floor(0.75 * all))
    expect(depths).toBeGreaterThanOrEqual(Math.floor(0.75 * all))
  })
})

describe('the stand-in camera', () => {
  it('follows from its seed, and is covered as asked', () => {
    const scene = { ...practiceScene(3), cover: 0.4 }
    const [one, again] = [animalPicture(scene), animalPicture(scene)]
    expect(one.data).toEqual(again.data)
    expect(one.cover).toBeCloseTo(0.4, 1)
    expect(animalPicture({ ...scene, seed: 4 }).data).not.toEqual(one.data)
    expect(animalPicture({ ...scene, size: 0.5 }).bodyArea).toBeGreaterThan(
      2 * animalPicture({ ...scene, size: 0.3 }).bodyArea,
    )
  })
})

describe('a rung that is suggested', () => {
  /** A keeper whose rungs are fifths of the cover. */
  const photos = Array.from({ length: 40 }, (_, i) => {
    const cover = ((i * 17) % 40) / 40 + 0.0125
    return { cover, depth: 60 + ((i * 7) % 20) - 10, rung: Math.floor(5 * cover) }
  })
  it('is learnt from the keeper’s own photos', () => {
    const of = (cover: number) => suggestRung(photos, 5, { cover, depth: 60 })
    expect([0.1, 0.3, 0.5, 0.7, 0.9].map(c => of(c).rung)).toEqual([0, 1, 2, 3, 4])
    expect(of(0.5).known).toBe('sure')
    for (const s of [of(0.1), of(0.42)]) {
      expect(s.chances.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
      expect(s.chances.every(p => p >= 0)).toBe(true)
    }
    // on a border nothing stands out as much
    expect(Math.max(...of(0.4).chances)).toBeLessThan(Math.max(...of(0.5).chances))
  })
  it('follows depth where the keeper does', () => {
    const deep = photos.map((p, i) => ({ cover: 0.5, depth: 40 + i, rung: Math.floor(i / 8) }))
    expect(suggestRung(deep, 5, { cover: 0.5, depth: 42 }).rung).toBe(0)
    expect(suggestRung(deep, 5, { cover: 0.5, depth: 78 }).rung).toBe(4)
  })
  it('says when too little is known, also where all photos are of one rung', () => {
    expect(suggestRung([], 5, { cover: 0.9, depth: 60 })).toMatchObject({ known: 'tooFew', photos: 0 })
    expect(suggestRung(photos.slice(0, 11), 5, { cover: 0.9, depth: 60 }).known).toBe('tooFew')
    const same = photos.slice(0, 14).map(p => ({ ...p, rung: 2 }))
    const { chances } = suggestRung(same, 5, { cover: 0.5, depth: 60 })
    expect(chances[2]).toBeGreaterThan(0.5)
    expect(chances.every(Number.isFinite)).toBe(true)
  })
})
