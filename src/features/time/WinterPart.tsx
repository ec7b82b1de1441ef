'use client'

import { Progress } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import type { JobSeen } from '@/core/installation'
import { Button } from '@/ui'
import { pinSentence, winterSentences } from '@/words'
import { TimeRunner, type WinterFound } from '@/workers'

type Stands = { is: 'running'; share: number } | { is: 'failed' } | { is: 'found'; found: WinterFound }

/** The winter of this job, on demand: what it takes, and what brought backup. */
export function WinterPart({ of }: { of: JobSeen }) {
  const [state, setState] = useState<{ of: JobSeen; stands: Stands } | null>(null)
  const stands = state?.of === of ? state.stands : null
  const runner = useRef<TimeRunner | null>(null)
  // A worker of its own: given up, it is ended in the middle of its work, and the tape's goes on.
  const stop = () => {
    runner.current?.close()
    runner.current = null
    setState(null)
  }
  useEffect(() => () => runner.current?.close(), [])
  const start = async () => {
    runner.current?.close()
    const mine = (runner.current = new TimeRunner())
    const put = (next: Stands) => runner.current === mine && setState({ of, stands: next })
    put({ is: 'running', share: 0 })
    try {
      put({ is: 'found', found: await mine.winter(of, (share) => put({ is: 'running', share })) })
    } catch {
      put({ is: 'failed' })
    }
    mine.close()
  }
  if (stands === null)
    return (
      <Button className="mt-2" onClick={() => void start()}>
        Run the winter
      </Button>
    )
  if (stands.is === 'running')
    return (
      <div className="mt-2 flex items-center gap-3">
        <Progress.Root
          className="h-2 w-48 overflow-hidden rounded bg-line"
          value={Math.round(100 * stands.share)}
          aria-label="How much of the winter is run"
        >
          <Progress.Indicator className="h-full bg-copper" style={{ width: `${100 * stands.share}%` }} />
        </Progress.Root>
        <Button onClick={stop}>Cancel</Button>
      </div>
    )
  if (stands.is === 'failed') return <p className="mt-2 text-harm">The winter could not be run.</p>
  const { found } = stands
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
