import { loaded, type PlaceEntry } from '../session'

/** The wiring, solved and proven. */
export const bench: PlaceEntry = {
  id: 'bench',
  title: 'Bench',
  ...loaded(
    async () => (await import('./Bench')).Bench,
    async () => (await import('./tools/BenchTools')).fetchTools(),
  ),
  mark: async () => (await import('./mark')).mark,
}
