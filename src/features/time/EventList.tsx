'use client'

import { memo, useState } from 'react'
import type { TapeStep } from '@/core/simulation'
import { Disclosure, cx } from '@/ui'
import { count, elapsed, eventSentence } from '@/words'
import { useJobScreen } from '../session'

/** Everything that happens on a tape, in its order: a line tapped brings the clock there. Drawn anew when an event has passed. */
export const EventList = memo(function EventList({
  events,
  passed,
  opens,
  onSeek,
}: {
  /** The instants of the tape at which something moves. */
  events: readonly TapeStep[]
  /** Events of the tape until now. */
  passed: number
  /** A procedure is read whole. */
  opens: boolean
  onSeek: (at: number) => void
}) {
  const { inst } = useJobScreen()
  const [isOpen, setOpen] = useState(opens)
  const last = passed - 1
  return (
    <Disclosure
      className="mt-2"
      summary={opens ? 'What to do and to see, and when' : `All ${count(events.length)} events`}
      defaultOpen={opens}
      onOpenChange={setOpen}
    >
      {isOpen && (
        <ol className="mt-1 max-h-96 overflow-y-auto text-[15px]" data-testid="events">
          {events.map((s, i) => (
            <li key={i}>
              <button
                type="button"
                aria-current={i === last ? 'step' : undefined}
                className={cx(
                  'flex min-h-11 w-full gap-2 rounded px-1 py-1 text-left select-text lg:min-h-0',
                  i === last && 'bg-watch-soft font-bold',
                )}
                onClick={() => onSeek(s.at)}
              >
                <span className="w-16 shrink-0 tabular-nums">{elapsed(s.at)}</span>
                <span className="min-w-0">{eventSentence(inst, s)}</span>
              </button>
            </li>
          ))}
        </ol>
      )}
    </Disclosure>
  )
})
