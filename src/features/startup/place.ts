import { loaded, type PlaceEntry } from '../session'

/** The test run. */
export const startup: PlaceEntry = {
  id: 'startup',
  title: 'Startup',
  ...loaded(async () => (await import('./Startup')).Startup),
  mark: async () => (await import('./mark')).mark,
}
