'use client'

import { useState } from 'react'
import type { JobSeen } from '@/core/installation'
import { Button } from '@/ui'
import { pinSentence, winterSentences } from '@/words'
import type { WinterFound } from '@/workers'

/** The winter of this job, on demand: what it takes, and what brought backup. */
export function WinterPart({ run, of }: { run: () => Promise<WinterFound>; of: JobSeen }) {
  const [state, setState] = useState<{ of: JobSeen; found: WinterFound | 'running' | 'failed' } | null>(null)
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
  return (
    <div className="mt-2 text-[15px]">
      {found.winter ? (
        <ul className="list-disc space-y-1 pl-5" aria-label="The winter" data-testid="winter">
          {winterSentences(found.winter, found.against, of.prices.currency ?? '').map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      ) : (
        <p>The winter needs a climate by the hour: choose one in Crossing.</p>
      )}
      {found.pins.length > 1 && (
        <>
          <h3 className="mt-2 font-bold">Which defrost interval: a day of fog at 34 °F with each</h3>
          <ul className="list-disc space-y-1 pl-5" data-testid="pins">
            {found.pins.map((d) => (
              <li key={d.minutes}>{pinSentence(d)}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
