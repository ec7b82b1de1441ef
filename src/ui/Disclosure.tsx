'use client'

import { useId, useState, type ReactNode } from 'react'
import { ChevronRight } from 'lucide-react'
import { cx } from './cx'

/**
 * Something more that is folded away until it is asked for. What is in it stays: what was typed there is not lost when it
 * is folded again. The button and its region alone: a primitive that measures its content for an animation lays the first
 * look out twice, and none is wanted here.
 */
export function Disclosure({
  summary,
  summaryClass,
  defaultOpen = false,
  isMadeOnOpening = false,
  onOpenChange,
  className,
  children,
}: {
  summary: ReactNode
  summaryClass?: string
  defaultOpen?: boolean
  /** Its content is large and rarely needed: it renders when it is first opened. */
  isMadeOnOpening?: boolean
  onOpenChange?: (open: boolean) => void
  className?: string
  children: ReactNode
}) {
  const [open, setOpen] = useState(defaultOpen)
  const [wasOpen, setWasOpen] = useState(defaultOpen || !isMadeOnOpening)
  const id = useId()
  const state = open ? 'open' : 'closed'
  return (
    <div className={className} data-state={state}>
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        data-state={state}
        className={cx('disclosure group', summaryClass)}
        onClick={() => {
          setOpen(!open)
          setWasOpen(true)
          onOpenChange?.(!open)
        }}
      >
        <ChevronRight aria-hidden className="size-4 shrink-0 group-data-[state=open]:rotate-90" />
        <span className="min-w-0">{summary}</span>
      </button>
      <div id={id} data-state={state} className="data-[state=closed]:hidden">
        {wasOpen && children}
      </div>
    </div>
  )
}
