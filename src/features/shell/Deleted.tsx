'use client'

import { useState } from 'react'
import { moveJob } from '@/client'
import { Button } from '@/ui'
import { dateWords } from '@/words'
import { useJobScreen, useJobView } from '../session'

/** Says that somebody has deleted the job that is open, and restores it. */
export function Deleted() {
  const { deleted } = useJobView()
  const { job, who } = useJobScreen()
  const [failed, setFailed] = useState<string | null>(null)
  if (!deleted) return null
  const restore = async () => {
    const answer = await moveJob(job.id, 'here', who)
    // The server tells every page of it, this one too.
    setFailed(answer.ok ? null : answer.why === 'refused' ? 'the job is gone' : answer.message)
  }
  return (
    <section
      aria-label="Deleted job"
      role="alert"
      className="no-print mb-2 flex flex-wrap items-center gap-x-3 border-l-4 border-harm bg-harm-soft px-3 py-1 text-[15px]"
    >
      <div className="min-w-0 flex-1 basis-60">
        <p className="font-bold">{deleted.by || 'Somebody'} deleted this job.</p>
        <p>
          It will be removed on {dateWords(deleted.goes, 'd MMMM yyyy')}. Each edit gives it 30 more days.
        </p>
        {failed && <p>Not restored: {failed}.</p>}
      </div>
      <Button onClick={() => void restore()}>Restore job</Button>
    </section>
  )
}
