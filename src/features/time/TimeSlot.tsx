'use client'

import { lazy, Suspense, type CSSProperties } from 'react'
import { useJobScreen } from '../session'
import { useClockOpen } from './open'

const TimePanel = lazy(async () => ({ default: (await import('./TimePanel')).TimePanel }))

/** px that the panel takes beside its lanes, and for each of them: kept from the start, so that nothing shifts when it comes. */
const ROOM = { wide: 640, slim: 900, lane: 20 }

/** Place of the tape, once the clock is open. */
export function TimeSlot() {
  const { targets } = useJobScreen()
  if (!useClockOpen()) return null
  const room = {
    '--wide': `${ROOM.wide + ROOM.lane * targets.length}px`,
    '--slim': `${ROOM.slim + ROOM.lane * targets.length}px`,
  } as CSSProperties
  return (
    <div className="min-h-(--slim) lg:min-h-(--wide)" style={room}>
      <Suspense fallback={<p className="text-soft">…</p>}>
        <TimePanel />
      </Suspense>
    </div>
  )
}
