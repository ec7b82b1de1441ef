import type { PlaceMark } from '../session'

/** Status of the Handover place in a job's navigation. */
export const mark = (): PlaceMark => ({ text: 'report', needs: false })
