'use client'

import { useSyncExternalStore } from 'react'
import { formatDistanceStrict } from 'date-fns'
import { clockOff, onClock } from '@/client'

/** Says that this device's clock is wrong, and which time is used. */
export function ClockOff() {
  const off = useSyncExternalStore(onClock, clockOff, () => 0)
  if (off === 0) return null
  return (
    <p
      role="alert"
      aria-label="Clock"
      className="no-print mb-2 border-l-4 border-watch bg-watch-soft px-3 py-1"
    >
      <span className="font-bold">
        This device’s clock is {formatDistanceStrict(0, off)} {off > 0 ? 'behind' : 'ahead'}.
      </span>{' '}
      Gate Cross uses the server’s time. Set the clock of this device.
    </p>
  )
}
