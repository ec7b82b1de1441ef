export const PLACES = ['gear', 'bench', 'setup', 'startup', 'handover'] as const
export type Place = (typeof PLACES)[number]

export const PLACE_TITLES: Record<Place, string> = {
  gear: 'Gear',
  bench: 'Bench',
  setup: 'Setup',
  startup: 'Startup',
  handover: 'Handover',
}

/** The place that an address names; the Bench when it names none. */
export function placeOfPath(path: string): Place {
  const last = path.split('/')[3]
  return PLACES.find((p) => p === last) ?? 'bench'
}
