/**
 * Words that somebody without animals does not know, explained where they stand and in the help. Whoever dots a word
 * names one of these, so none lacks its entry; a test looks that each is used.
 */
export const glossary = {
  gh: {
    word: 'GH',
    says:
      'General hardness: calcium and magnesium in the water. Skins and shells are made of them. A drop kit ' +
      'counts it in degrees (°dH).',
  },
  kh: {
    word: 'KH',
    says:
      'Carbonate hardness: what keeps the pH where it is. Hardly any lets the pH fall overnight, much of ' +
      'it holds it high.',
  },
  ph: {
    word: 'pH',
    says: 'How acid or alkaline a water is: 7 is neutral, below it acid. It follows KH and the CO₂ in the water.',
  },
  ro: {
    word: 'Pure water',
    says:
      'Water from a reverse-osmosis unit (RO), or deionised or distilled: almost nothing is in it. It ' +
      'thins a hard tap; alone it is no water to live in.',
  },
  conductivity: {
    word: 'Conductivity',
    says: 'How well a water conducts, in µS/cm: all that is dissolved in it, in one number. A pen shows it in seconds.',
  },
  curing: {
    word: 'Curing',
    says:
      'A new tank runs for weeks without animals, with a pinch of food, until bacteria turn ammonia and ' +
      'nitrite into harmless nitrate and a film to graze has grown.',
  },
  drip: {
    word: 'Drip',
    says:
      'Animals come into new water slowly: the tank’s water drips into their vessel for an hour or more, ' +
      'before they are moved over.',
  },
  berried: { word: 'Berried', says: 'A female that carries eggs under her tail, like a bunch of berries.' },
  clutch: { word: 'Clutch', says: 'Eggs laid together above the water line, like a piece of honeycomb.' },
  mass: {
    word: 'Egg mass',
    says: 'Eggs laid in a lump of jelly on leaves and glass. For each that is seen three or four are hidden.',
  },
  amphidromous: {
    word: 'Amphidromous',
    says: 'They live in fresh water, but their larvae need the sea: hatched at home, the young die within hours.',
  },
  paludarium: { word: 'Paludarium', says: 'A glass of land and a little water, closed, warm and damp.' },
  outlet: {
    word: 'Outlet',
    says: 'Where surplus animals can go: a shop, other keepers, your own other tanks. Never into nature.',
  },
  molt: {
    word: 'Molt',
    says: 'Growing out of the old skin. The empty skin is good news: leave it in, they eat it for its minerals.',
  },
  gross: {
    word: 'Net water',
    says: 'What is really in the glass: full, less what the bottom, stones and the space above take.',
  },
} as const

export type GlossaryId = keyof typeof glossary
export const glossaryIds = Object.keys(glossary) as GlossaryId[]
