import { loaded, type PlaceEntry } from '../session'

/** Installed equipment. */
export const gear: PlaceEntry = {
  id: 'gear',
  title: 'Gear',
  ...loaded(async () => (await import('./Gear')).Gear),
  mark: async () => (await import('./mark')).mark,
}
