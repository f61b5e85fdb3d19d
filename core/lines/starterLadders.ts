/** A ladder to begin with, in plain words; every word is the keeper's to change. From memory. */
export interface StarterLadder {
  trait: string
  /** dullest first */
  rungs: readonly string[]
}

const cover: StarterLadder = {
  trait: 'Colour cover',
  rungs: ['clear patches', 'patchy', 'covered', 'dense', 'dense to the legs'],
}
const opacity: StarterLadder = {
  trait: 'Opacity',
  rungs: ['glassy', 'milky', 'mostly opaque', 'opaque'],
}
const bands: StarterLadder = {
  trait: 'Pattern',
  rungs: ['no band', 'broken band', 'thin band', 'full band', 'full bands, clean edges'],
}
const size: StarterLadder = { trait: 'Size', rungs: ['small for its age', 'usual', 'large', 'very large'] }
const vigour: StarterLadder = { trait: 'Vigour', rungs: ['weak', 'usual', 'strong'] }
const shell: StarterLadder = { trait: 'Shell colour', rungs: ['pale', 'even', 'deep', 'deep and glossy'] }
const legs: StarterLadder = { trait: 'Legs and belly', rungs: ['clear', 'tinted', 'coloured'] }

const ofGroup: Readonly<Record<string, readonly StarterLadder[]>> = {
  neocaridina: [cover, opacity, legs, size, vigour],
  'bee-shrimp': [bands, opacity, cover, size, vigour],
  'ramshorn-snail': [shell, size, vigour],
  'apple-snail': [shell, size, vigour],
}

/** Ladders that a keeper of a species group may begin with, the usual main one first. */
export const starterLadders = (groupId: string): readonly StarterLadder[] => ofGroup[groupId] ?? [size, vigour, cover]
