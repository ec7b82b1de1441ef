'use client'

import type { ComponentProps } from 'react'
import { later, useJobScreen } from '../session'
import type { PutBackLine } from './PutBackLine'

/** The full line needs the words of every setting; a short notice appears at once. */
const Line = later<ComponentProps<typeof PutBackLine>>(
  async () => (await import('./PutBackLine')).PutBackLine,
  () => <span className="flex-1 basis-60">Something stands otherwise for a test only …</span>,
)

/** Temporary changes for a test, shown on every screen of the job until each is put back. */
export function PutBack() {
  const { job } = useJobScreen()
  const pending = job.setup.temporary.filter((t) => !t.back)
  if (!pending.length) return null
  return (
    <section aria-label="To be put back" data-testid="temporary" className="no-print mb-2">
      <ul className="space-y-1">
        {/* Its room is kept, a phone's three lines and button: nothing moves under a finger when it comes. */}
        {pending.map((t) => (
          <li
            key={t.id}
            className="flex min-h-[135px] flex-wrap items-center gap-3 border-l-4 border-watch bg-watch-soft px-3 py-1 text-[15px] lg:min-h-11"
          >
            <Line temporary={t} />
          </li>
        ))}
      </ul>
    </section>
  )
}
