'use client'

import type { Temporary } from '@/jobfile'
import { Button } from '@/ui'
import { temporaryWords } from '@/words'
import { useJobScreen, useStamp } from '../session'

/** What stands otherwise for a test, on every screen of the job until each is put back. */
export function PutBack() {
  const { inst, job, edit } = useJobScreen()
  const stamp = useStamp()
  const pending = job.setup.temporary.filter((t) => !t.back)
  if (!pending.length) return null
  const back = (t: Temporary) => edit({ kind: 'putBack', temporary: t.id, by: stamp() })
  return (
    <section aria-label="To be put back" data-testid="temporary" className="no-print mb-2">
      <ul className="space-y-1">
        {pending.map((t) => {
          const { stands, back: words } = temporaryWords(inst, t)
          return (
            <li
              key={t.id}
              className="flex flex-wrap items-center gap-3 border-l-4 border-watch bg-watch-soft px-3 py-1 text-[15px]"
            >
              <span className="flex-1 basis-60">{stands}</span>
              <Button onClick={() => back(t)}>{words}</Button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
