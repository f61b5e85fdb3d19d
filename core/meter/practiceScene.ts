import { streamAt, uniformAt } from '#core/stats'
import type { AnimalScene } from './animalPicture'

/** An animal and its light that the stand-in camera makes up: another one for each number. */
export function practiceScene(seed: number): AnimalScene {
  const luck = (part: number) => uniformAt(streamAt(seed, 77, part))
  const between = (part: number, low: number, high: number) => low + (high - low) * luck(part)
  // reds, browns and blues; the deeper the more of it, as in most lines
  const hue = (luck(1) < 0.7 ? between(2, 15, 60) : between(2, 240, 290)) * (Math.PI / 180)
  const chroma = between(3, 22, 58)
  const strength = between(4, 0.5, 0.95)
  return {
    ...{
      seed,
      cover: luck(5),
      pigment: { l: between(6, 22, 55), a: chroma * Math.cos(hue), b: chroma * Math.sin(hue) },
    },
    card: luck(7) < 0.5 ? 'white' : 'grey',
    light: [strength * between(8, 0.9, 1.12), strength, strength * between(9, 0.75, 1.1)],
    ...{ slope: between(10, 0, 0.3), size: between(11, 0.26, 0.52) },
  }
}
