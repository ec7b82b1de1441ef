'use client'

import { Button } from '@/ui'
import { ended, operationWords } from '@/words'
import { useJobScreen, useJobView } from '../session'
import { byWhom } from './ChangedBy'

/** Changes that others made to this job while it was open, until they are marked as seen. */
export function News({ onSeen }: { onSeen: () => void }) {
  const { news } = useJobView()
  const { inst } = useJobScreen()
  if (!news.length) return null
  // The latest change is the one that has just changed the screen.
  const last = [...news].reverse().slice(0, 3)
  return (
    <section
      aria-label="What others did"
      role="status"
      className="no-print mb-2 flex flex-wrap items-center gap-x-3 border-l-4 border-slate bg-panel px-3 py-1 text-[15px]"
    >
      <ul className="min-w-0 flex-1 basis-60">
        {last.map((e) => (
          <li key={e.opId}>
            {byWhom(e)}: {ended(operationWords(inst, e.op))}
          </li>
        ))}
        {news.length > last.length && <li className="text-soft">and {news.length - last.length} more.</li>}
      </ul>
      <Button onClick={onSeen}>Seen</Button>
    </section>
  )
}
