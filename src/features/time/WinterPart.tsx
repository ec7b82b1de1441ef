'use client'

import { useState } from 'react'
import type { JobSeen } from '@/core/installation'
import type { Against, Winter } from '@/core/simulation'
import { Button } from '@/ui'
import { winterSentences } from '@/words'

interface Found {
  winter: Winter | null
  against: Against[]
}

/** The winter of this job, on demand: what it takes, and what brought backup. */
export function WinterPart({ run, of }: { run: () => Promise<Found>; of: JobSeen }) {
  const [state, setState] = useState<{ of: JobSeen; found: Found | 'running' | 'failed' } | null>(null)
  const found = state?.of === of ? state.found : null
  const start = async () => {
    setState({ of, found: 'running' })
    try {
      setState({ of, found: await run() })
    } catch {
      setState({ of, found: 'failed' })
    }
  }
  if (found === null)
    return (
      <Button className="mt-2" onClick={() => void start()}>
        Run the winter
      </Button>
    )
  if (found === 'running') return <p className="mt-2 text-soft">The winter runs …</p>
  if (found === 'failed') return <p className="mt-2 text-harm">The winter could not be run.</p>
  if (!found.winter)
    return <p className="mt-2">The winter needs a climate by the hour: choose one in Crossing.</p>
  return (
    <ul className="mt-2 list-disc space-y-1 pl-5 text-[15px]" aria-label="The winter" data-testid="winter">
      {winterSentences(found.winter, found.against, of.prices.currency ?? '').map((s) => (
        <li key={s}>{s}</li>
      ))}
    </ul>
  )
}
