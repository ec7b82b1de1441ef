import { loaded, type PlaceEntry } from '../session'
import { lazy } from 'react'

/** What is keyed in. */
export const setup: PlaceEntry = {
  id: 'setup',
  title: 'Setup',
  ...loaded(async () => (await import('./Setup')).Setup),
  Print: lazy(async () => ({ default: (await import('./PrintedSheets')).PrintedSheets })),
  mark: async () => (await import('./mark')).mark,
}
