import { loaded, type PlaceEntry } from '../session'
import { lazy } from 'react'

/** Settings to key in. */
export const setup: PlaceEntry = {
  id: 'setup',
  title: 'Setup',
  ...loaded(async () => (await import('./Setup')).Setup),
  Print: lazy(async () => ({ default: (await import('./PrintedSheets')).PrintedSheets })),
  mark: async () => (await import('./mark')).mark,
}
