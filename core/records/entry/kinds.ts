/** Whose an entry is: of one colony (a move of two), of a glass, of one of both, or of anything that it names. */
export type EntrySubject = 'colony' | 'glass' | 'either' | 'any'

/** What the house must know of a kind of entry beside its fields (`entry.ts`) and its words, which are in app/. */
interface KindDefinition {
  of: EntrySubject
  /** fields that name rows of other tables without which the entry means nothing */
  needs: Readonly<Record<string, 'colonies' | 'glasses' | 'photos' | 'ladders' | 'generations' | 'entries'>>
}

const ofColony: KindDefinition = { of: 'colony', needs: { colonyId: 'colonies' } }
const ofGlass: KindDefinition = { of: 'glass', needs: { glassId: 'glasses' } }
const ofEither = (of: EntrySubject, needs: KindDefinition['needs'] = {}): KindDefinition => ({
  of,
  needs: { colonyId: 'colonies', glassId: 'glasses', ...needs },
})

/**
 * All kinds of entries, each once. A new kind joins here and with its fields in `entry.ts`; what it does to the
 * population model is said in `core/statements/effects.ts`, its words and fields on screen in app/, and what is
 * forgotten does not compile.
 */
export const entryKinds = {
  count: ofColony,
  addition: ofColony,
  removal: ofColony,
  death: ofColony,
  move: { of: 'colony', needs: { colonyId: 'colonies', toColonyId: 'colonies' } },
  grading: {
    of: 'colony',
    needs: { colonyId: 'colonies', ladderId: 'ladders', generationId: 'generations', againOf: 'entries' },
  },
  waterTest: ofGlass,
  waterChange: ofGlass,
  topUp: ofGlass,
  treatment: ofGlass,
  molts: ofColony,
  failedMolt: ofColony,
  limbLoss: ofColony,
  shell: ofColony,
  berried: ofColony,
  eggMass: ofColony,
  clutch: ofColony,
  young: ofColony,
  larvae: ofColony,
  mating: ofColony,
  dull: ofColony,
  feeding: ofGlass,
  supplement: ofGlass,
  equipment: ofGlass,
  growth: ofGlass,
  pest: ofGlass,
  visit: ofGlass,
  dueMark: ofEither('any'),
  note: ofEither('either'),
  photo: ofEither('either', { photoId: 'photos' }),
  withdrawal: ofEither('any', { toColonyId: 'colonies' }),
} as const satisfies Record<string, KindDefinition>

export type EntryKind = keyof typeof entryKinds
