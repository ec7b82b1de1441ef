import { loaded, type PlaceEntry } from '../session'

/** The record. */
export const handover: PlaceEntry = {
  id: 'handover',
  title: 'Handover',
  ...loaded(async () => (await import('./Handover')).Handover),
  mark: async () => (await import('./mark')).mark,
}
