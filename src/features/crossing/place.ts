import { loaded, type PlaceEntry } from '../session'

/** Who heats when. */
export const crossing: PlaceEntry = {
  id: 'crossing',
  title: 'Crossing',
  ...loaded(async () => (await import('./Crossing')).Crossing),
  mark: async () => (await import('./mark')).mark,
}
