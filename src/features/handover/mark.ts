import type { PlaceMark } from '../session'

/** How the Handover stands in a job's walk. */
export const mark = (): PlaceMark => ({ text: 'report', needs: false })
