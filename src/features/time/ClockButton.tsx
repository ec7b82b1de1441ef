'use client'

import { Clock } from 'lucide-react'
import { Button, cx } from '@/ui'
import { setClockOpen, useClockOpen } from './open'

/** Brings the clock out, or puts it away. */
export function ClockButton({ className }: { className?: string }) {
  const open = useClockOpen()
  return (
    <Button
      className={cx(className, open && '!border-ink !bg-ink !text-bench')}
      aria-label="Clock: the job run through time"
      aria-pressed={open}
      onClick={() => setClockOpen(!open)}
    >
      <Clock aria-hidden className="size-5" />
    </Button>
  )
}
