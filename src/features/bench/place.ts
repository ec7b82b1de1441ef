import { loaded, type PlaceEntry } from '../session'

/** The wiring, solved and proven. */
export const bench: PlaceEntry = {
  id: 'bench',
  title: 'Bench',
  ...loaded(
    async () => (await import('./Bench')).Bench,
    async () => {
      const tools = (await import('./tools/BenchTools')).fetchTools()
      return Promise.all([tools, import('./Schedule'), import('./Walk')])
    },
  ),
  mark: async () => (await import('./mark')).mark,
}
