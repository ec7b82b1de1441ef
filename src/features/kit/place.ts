import { loaded, type PlaceEntry } from '../session'

/** What is inside the kit. */
export const kit: PlaceEntry = {
  id: 'kit',
  title: 'Kit',
  ...loaded(async () => (await import('./Kit')).Kit),
  mark: async () => (await import('./mark')).mark,
}
