/**
 * All options of all schools, by kind. Closed lists: whatever goes by a school (nitrate from feeding, changes, fish)
 * names every option, and one that is forgotten does not compile.
 */
export const schoolIds = {
  temperature: ['mixed', 'cool', 'warm', 'cold'],
  hardness: ['group', 'hard', 'wide', 'soft', 'calcium', 'sodium'],
  waterChange: ['smallWeekly', 'moderateWeekly', 'fortnightly', 'topUpOnly'],
  feeding: ['sparse', 'dailySmall', 'twiceDaily', 'powder', 'heavy', 'brackishPool'],
  clutches: ['leave', 'incubator'],
  fish: ['none', 'peaceful'],
  start: ['reflooded', 'cycled', 'dayOne'],
} as const

export const schoolKinds = Object.keys(schoolIds) as SchoolKind[]
export type SchoolKind = keyof typeof schoolIds
/** An option of one kind of school. */
export type SchoolId<K extends SchoolKind = SchoolKind> = (typeof schoolIds)[K][number]
export type FeedingSchoolId = SchoolId<'feeding'>

/** Whether a text is an option of a kind of school: records of other versions may name one that is not known. */
export const isSchoolId = <K extends SchoolKind>(kind: K, id: string | undefined): id is SchoolId<K> =>
  id !== undefined && (schoolIds[kind] as readonly string[]).includes(id)
