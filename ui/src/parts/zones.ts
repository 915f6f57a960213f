/** The zone of this browser, by its name in the IANA database. */
export const zoneHere = Intl.DateTimeFormat().resolvedOptions().timeZone

/** All zones to choose from, with the one that is chosen even if this browser does not know it. */
export const zones = (chosen: string) => [...new Set([chosen, zoneHere, ...Intl.supportedValuesOf('timeZone')])]
