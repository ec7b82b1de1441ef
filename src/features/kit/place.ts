import { loaded, type PlaceEntry } from '../session'

/** The inside of the kit. */
export const kit: PlaceEntry = {
  id: 'kit',
  title: 'Kit',
  ...loaded(async () => (await import('./Kit')).Kit),
  mark: async () => (await import('./mark')).mark,
}
