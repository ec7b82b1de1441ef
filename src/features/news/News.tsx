'use client'

import { intlFormat } from 'date-fns'
import { pathsOf, type Envelope } from '@/jobfile'
import { Button } from '@/ui'
import { ended, operationWords } from '@/words'
import { useJobScreen, useJobView, useNow } from '../session'

const CLOCK = { hour: '2-digit', minute: '2-digit' } as const
const byWhom = ({ who, at }: Envelope): string =>
  `${who || 'Somebody else'}, ${intlFormat(at, CLOCK, { locale: 'en-GB' })}`

/** What others have done to this job while it is looked at, until it is said to be seen. */
export function News({ onSeen }: { onSeen: () => void }) {
  const { news } = useJobView()
  const { inst } = useJobScreen()
  if (!news.length) return null
  // What was done last is what the screen has just changed by.
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

/**
 * At a place that somebody else has changed while the job is looked at: who and when; null where nobody has.
 * @param path of the place in the document
 */
export function useChangedBy(path: string) {
  const theirs = useNow(({ view }) =>
    view.news.findLast((e) =>
      pathsOf(e.op).some((p) => `${p}.`.startsWith(`${path}.`) || path.startsWith(`${p}.`)),
    ),
  )
  return theirs ? (
    <span className="block text-sm text-slate" data-changed={path}>
      Changed by {byWhom(theirs)}
    </span>
  ) : null
}

/** The same, where it stands by itself. */
export const ChangedBy = ({ path }: { path: string }) => useChangedBy(path)
