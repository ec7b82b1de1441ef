import type { PlaceEntry } from '../session'
import { Handover } from './Handover'

/** How the Handover stands in a job's walk. */
export const handover: PlaceEntry = {
  id: 'handover',
  title: 'Handover',
  Component: Handover,
  mark: () => ({ text: 'report', needs: false }),
}
