'use client'

import { useState } from 'react'
import { ask, linesOf } from '@/client'
import { Button, cx, FileButton } from '@/ui'

/** What became of the file of a whole shop. */
interface TakenIn {
  jobs: number
  devices: number
  known: number
}
const shopWords = ({ jobs = 0, devices = 0, known = 0 }: Partial<TakenIn>) =>
  `${jobs} jobs and ${devices} devices are imported; ${known} were here already.`

/** Takes a job file in, or the file of a whole shop. What is wrong with it is said place by place, and nothing is kept of it. */
export function TakeIn({ onDone }: { onDone: () => void }) {
  const [said, setSaid] = useState<{ ok: boolean; lines: string[]; again?: File } | null>(null)
  const send = async (file: File, copy: boolean) => {
    const body = await file.text()
    const isShop = /^\s*\{\s*"format"\s*:\s*"gatecross\.shop"/.test(body)
    const path = isShop ? '/api/shop' : `/api/jobs${copy ? '?copy=1' : ''}`
    const answer = await ask<Partial<TakenIn>>(fetch, path, { method: 'POST', body })
    if (answer.ok) {
      setSaid({ ok: true, lines: [isShop ? shopWords(answer.value) : `${file.name} is imported.`] })
      onDone()
    } else
      setSaid({
        ok: false,
        lines: linesOf(answer, 'not sent').map((line) => `${file.name}, ${line}`),
        ...(answer.why === 'refused' && answer.status === 409 ? { again: file } : {}),
      })
  }
  return (
    <section aria-label="Take a job in">
      <div className="flex flex-wrap gap-3">
        <FileButton label="Import a job file" name="Job file" onFile={(file) => void send(file, false)} />
        <a
          href="/api/shop"
          download
          className="inline-flex min-h-12 items-center rounded border border-edge bg-raised px-4 text-[15px] lg:min-h-9 lg:px-3"
        >
          Export all jobs
        </a>
      </div>
      {said && (
        <div
          role="status"
          className={cx(
            'mt-3 border-l-4 p-3',
            said.ok ? 'border-well bg-well-soft' : 'border-harm bg-harm-soft',
          )}
        >
          {!said.ok && <p className="font-bold">Nothing was imported.</p>}
          <ul>
            {said.lines.slice(0, 8).map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
          {said.lines.length > 8 && <p>and {said.lines.length - 8} more places.</p>}
          {said.again && (
            <Button className="mt-2" onClick={() => said.again && void send(said.again, true)}>
              Import it as a copy
            </Button>
          )}
        </div>
      )}
    </section>
  )
}
