/** Where this device stands, as an IANA name: the keeper's days are counted there. */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone
