'use client'

import Link from 'next/link'
import { useState } from 'react'
import { ask, linesOf } from '@/client'
import type { Operation } from '@/jobfile'
import { Button, Disclosure } from '@/ui'
import { dateWords, operationWords } from '@/words'
import { useJobScreen } from '../session'

/** An edit from the server's log. */
interface PastEdit {
  version: number
  who: string
  at: string
  deviceAt?: string
  op: Operation
}
interface Page {
  edits: PastEdit[]
  more: boolean
}

/** Who changed what, the newest first, and a way back: the job as it was after any edit, as a copy of its own. */
export function History() {
  const { job, inst } = useJobScreen()
  const [page, setPage] = useState<Page | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  const [made, setMade] = useState<{ id: string; version: number } | null>(null)
  const at = `/api/jobs/${encodeURIComponent(job.id)}`
  const load = async (before: number | null) => {
    const answer = await ask<Page>(fetch, `${at}/history${before === null ? '' : `?before=${before}`}`)
    setSaid(answer.ok ? null : linesOf(answer, 'The history is on the server').join('; '))
    if (answer.ok)
      setPage((now) => ({
        edits: before === null ? answer.value.edits : [...(now?.edits ?? []), ...answer.value.edits],
        more: answer.value.more,
      }))
  }
  const copy = async (version: number) => {
    const body = JSON.stringify({ version })
    const answer = await ask<{ id: string }>(fetch, `${at}/copy`, { method: 'POST', body })
    setSaid(answer.ok ? null : linesOf(answer, 'No copy was made').join('; '))
    setMade(answer.ok ? { id: answer.value.id, version } : null)
  }
  const last = page?.edits[page.edits.length - 1]
  return (
    <Disclosure
      className="no-print mt-6 border-t border-line pt-2"
      summary="History: who changed what"
      summaryClass="min-h-12 py-2 text-lg font-bold lg:min-h-9 lg:py-1"
      onOpenChange={(open) => open && void load(null)}
    >
      <div data-testid="history">
        {made && (
          <p role="status" className="mb-2 bg-panel p-3">
            The job as it was after edit {made.version} is a job of its own:{' '}
            <Link href={`/job/${made.id}/handover`} className="text-copper underline">
              open the copy
            </Link>
            .
          </p>
        )}
        {said && (
          <p role="alert" className="mb-2 text-harm">
            {said}
          </p>
        )}
        {page?.edits.length === 0 && <p className="text-soft">Nothing was changed since it was taken in.</p>}
        <ol className="text-[15px]">
          {page?.edits.map((e) => (
            <li key={e.version} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
              <span className="w-12 shrink-0 font-mono text-sm text-soft">{e.version}</span>
              <span className="flex-1 basis-60">
                {operationWords(inst, e.op)}{' '}
                <span className="text-sm text-soft">
                  {e.who || 'nobody named'}, {dateWords(e.at, 'd MMM yyyy, HH:mm')}
                  {e.deviceAt && `. The device’s clock said ${dateWords(e.deviceAt, 'd MMM yyyy, HH:mm')}`}
                </span>
              </span>
              <Button look="quiet" className="text-sm" onClick={() => void copy(e.version)}>
                Copy as it was then
              </Button>
            </li>
          ))}
        </ol>
        {page?.more && last && (
          <Button className="mt-2" onClick={() => void load(last.version)}>
            Show earlier
          </Button>
        )}
      </div>
    </Disclosure>
  )
}
