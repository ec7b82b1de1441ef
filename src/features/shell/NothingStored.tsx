'use client'

import { TriangleAlert } from 'lucide-react'
import { formatJob } from '@/jobfile'
import { Button, downloadFile } from '@/ui'
import { useJobScreen, useNow } from '../session'

/** Said loudly where the device stores nothing: what is entered is gone with the page unless the server has it. */
export function NothingStored() {
  const { job } = useJobScreen()
  const isKeeping = useNow((s) => s.view.isKeeping)
  const onPageOnly = useNow((s) => s.view.onPageOnly)
  if (isKeeping) return null
  return (
    <section
      aria-label="Nothing is stored here"
      role="alert"
      className="no-print mb-3 flex flex-wrap items-center gap-3 border-4 border-harm bg-harm-soft p-3"
    >
      <TriangleAlert aria-hidden className="size-6 shrink-0 text-harm" />
      <p className="flex-1 basis-72">
        <span className="font-bold">This device stores nothing.</span> Its browser is in a private window, or
        its storage is off or full.{' '}
        {onPageOnly > 0
          ? `${onPageOnly === 1 ? 'One edit is' : `${onPageOnly} edits are`} on this page alone: keep it open until they are saved, or take the file.`
          : 'All that was entered is on the server; what you enter without a signal is on this page alone.'}
      </p>
      <Button onClick={() => downloadFile(`${job.id}.json`, 'application/json', formatJob(job))}>
        Download the job as a file
      </Button>
    </section>
  )
}
