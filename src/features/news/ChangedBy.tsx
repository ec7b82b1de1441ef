'use client'

import { intlFormat } from 'date-fns'
import { pathsOf, type Envelope } from '@/jobfile'
import { useNow } from '../session'

const CLOCK = { hour: '2-digit', minute: '2-digit' } as const
/** Who did something, and when. */
export const byWhom = ({ who, at }: Envelope): string =>
  `${who || 'Somebody else'}, ${intlFormat(at, CLOCK, { locale: 'en-GB' })}`

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
