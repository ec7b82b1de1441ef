'use client'

import { sentence } from '@/jobfile'
import { Button } from '@/ui'
import { dateWords, ended, operationWords, placeWords } from '@/words'
import { useJobScreen, useJobView } from '../session'

/** Edits that the server did not take: yours and theirs side by side, to be decided; neither is lost. */
export function ConflictList({
  decide,
}: {
  decide: (opId: string, choice: 'mine' | 'theirs') => Promise<void> | void
}) {
  const view = useJobView()
  const { inst } = useJobScreen()
  if (view.notTakenBack.length && !view.conflicted.length) return <NotTakenBack />
  if (!view.conflicted.length) return null
  return (
    <section aria-label="To decide" className="no-print mb-3 border-l-4 border-watch bg-watch-soft p-3">
      <h2 className="font-bold">Changed in two places</h2>
      <ul>
        {view.conflicted.map(({ envelope, theirs, problems }) => (
          <li key={envelope.opId} className="mt-2 flex flex-wrap items-center gap-3">
            <span className="flex-1 basis-72">
              <span className="block">
                <span className="font-bold">Yours:</span> {ended(operationWords(inst, envelope.op))}
              </span>
              <span className="block">
                <span className="font-bold">
                  {theirs
                    ? `${theirs.who || 'Somebody else'}, ${dateWords(theirs.at, 'MMM d, h:mm a')}`
                    : 'Not taken'}
                  :
                </span>{' '}
                {ended(theirs ? operationWords(inst, theirs.op) : problems.map(sentence).join('; '))}
              </span>
            </span>
            <Button onClick={() => void decide(envelope.opId, 'mine')}>Use mine</Button>
            <Button onClick={() => void decide(envelope.opId, 'theirs')}>
              {theirs ? 'Keep theirs' : 'Let it go'}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Changes that undo left alone, because somebody else has changed them since. */
function NotTakenBack() {
  const view = useJobView()
  const { inst } = useJobScreen()
  const places = [...new Set(view.notTakenBack.map((p) => placeWords(inst, p)))]
  return (
    <p role="status" className="no-print mb-3 border-l-4 border-watch bg-watch-soft p-3">
      Not taken back, since it has been changed by somebody else: {places.join(', ')}.
    </p>
  )
}
