/** What a stretch of a shell can look like. */
export const zoneKinds = ['white', 'thin', 'even', 'thick', 'pits', 'chips'] as const
export type ZoneKind = (typeof zoneKinds)[number]
