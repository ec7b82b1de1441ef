import { now } from '@/client'
import type { Reading } from '@/core/startup'
import type { Operation } from '@/jobfile'

/** The edit that records a reading, with a name of its own and the time. */
export const takeReading = (reading: Reading): Operation => ({
  kind: 'takeReading',
  reading: { ...reading, id: `r-${crypto.randomUUID().slice(0, 13)}`, when: now().toISOString() },
})
