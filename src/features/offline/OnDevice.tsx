'use client'

import { intlFormatDistance } from 'date-fns'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { browserQueue, type OnDeviceJob } from '@/client'

/** The jobs that were opened on this device: they open and compute with no signal. How old each is stands beside it. */
export function OnDevice() {
  const [jobs, setJobs] = useState<OnDeviceJob[] | null>(null)
  useEffect(() => {
    let left = false
    void browserQueue()
      .onDevice()
      .then(
        (list) => left || setJobs(list),
        () => left || setJobs([]),
      )
    return () => {
      left = true
    }
  }, [])
  if (!jobs) return null
  if (!jobs.length) return <p className="text-[15px] text-soft">No job was opened on this device yet.</p>
  return (
    <ul className="text-[15px]">
      {jobs.map((j) => (
        <li key={j.jobId} className="border-t border-line">
          {/* The page itself, not its data: there may be no server to ask for that. */}
          <Link
            href={`/job/${j.jobId}/bench`}
            prefetch={false}
            className="flex min-h-12 flex-wrap items-baseline gap-x-3 py-2"
          >
            <span className="font-bold">{j.title}</span>
            <span className="text-sm text-soft">
              {j.at
                ? `as of ${intlFormatDistance(j.at, new Date(), { locale: 'en', numeric: 'always' })}`
                : 'of an unknown day'}
              {j.waiting > 0 &&
                `; ${j.waiting === 1 ? 'one edit' : `${j.waiting} edits`} not on the server yet`}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
