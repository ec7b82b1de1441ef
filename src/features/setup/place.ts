import type { PlaceEntry } from '../session'
import { PrintedSheets } from './PrintedSheets'
import { Setup } from './Setup'

/** How the Setup stands in a job's walk. */
export const setup: PlaceEntry = {
  id: 'setup',
  title: 'Setup',
  Component: Setup,
  Print: PrintedSheets,
  mark: ({ job, conflicts }) => {
    const wrong = conflicts.length
    const temporary = job.setup.temporary.filter((t) => !t.back).length
    if (wrong) return { text: `${wrong} in conflict`, needs: true }
    return { text: temporary ? `${temporary} to put back` : 'agrees', needs: false }
  },
}
