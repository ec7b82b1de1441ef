'use client'

import { lazy, Suspense } from 'react'
import { useClockOpen } from './open'

const TimePanel = lazy(async () => ({ default: (await import('./TimePanel')).TimePanel }))

/** Where the tape stands, once the clock is out. */
export function TimeSlot() {
  return useClockOpen() ? (
    <Suspense fallback={<p className="min-h-64 text-soft">…</p>}>
      <TimePanel />
    </Suspense>
  ) : null
}
