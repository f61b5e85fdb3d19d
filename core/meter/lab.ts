import { convertLab65ToRgb, convertRgbToLab65 } from 'culori/fn'

/** A colour in CIELAB under daylight (D65): lightness, green to red, blue to yellow. */
export interface Lab {
  l: number
  a: number
  b: number
}
/** Red, green and blue as they lie in a picture (sRGB), 0 to 1. */
export type Rgb = readonly [red: number, green: number, blue: number]

/** sRGB to CIELAB (CIE 15:2004; IEC 61966-2-1), by culori. */
export function labOf([r, g, b]: Rgb): Lab {
  const lab = convertRgbToLab65({ r, g, b })
  return { l: lab.l, a: lab.a, b: lab.b }
}

/** The way back; a colour that no screen shows lies outside 0 to 1. */
export function rgbOf(lab: Lab): Rgb {
  const { r, g, b } = convertLab65ToRgb(lab)
  return [r, g, b]
}

/** Distance of two colours, ΔE*ab (CIE 1976). */
export const deltaE = (x: Lab, y: Lab): number => Math.hypot(x.l - y.l, x.a - y.a, x.b - y.b)

const WHITE: Lab = { l: 100, a: 0, b: 0 }
/** How deep a colour is: its distance from white paper. */
export const depthOf = (colour: Lab): number => deltaE(colour, WHITE)

/** Light of an sRGB channel, and the way back (IEC 61966-2-1); both from 0 to 1. */
export const toLinear = (c: number): number => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)
export const fromLinear = (c: number): number => (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055)
