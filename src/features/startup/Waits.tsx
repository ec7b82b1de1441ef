'use client'

import { useEffect, useMemo, useState } from 'react'
import { circuitWith } from '@/core/crossing'
import type { TestCard } from '@/core/startup'
import { waitsFor } from '@/core/time'
import { now } from '@/client'
import { Button } from '@/ui'
import { clock, duration, refWords, waitReason } from '@/words'
import { useJobScreen } from '../session'

/** The time, again each second while something is being waited for. */
function useNow(running: boolean): number {
  const [time, setTime] = useState(() => now().getTime())
  useEffect(() => {
    if (!running) return
    const timer = setInterval(() => setTime(now().getTime()), 1000)
    return () => clearInterval(timer)
  }, [running])
  return time
}

/**
 * Loads that come on after the call, with the delay and its reason, counted down from the time of the call. The job
 * stores that time: a locked phone, a reload or a closed browser loses nothing.
 */
export function Waits({ card }: { card: TestCard }) {
  const { inst, circuit, job, edit } = useJobScreen()
  const found = useMemo(
    () => waitsFor(circuitWith(circuit, card.moved), card.situation.call, card.situation, card.past),
    [circuit, card],
  )
  const called = job.startup.calls[card.id]
  const waits = found.waits.filter((w) => w.seconds > 0)
  const [opened] = useState(() => now().getTime())
  const time = useNow(called !== undefined && waits.length > 0)
  if (!waits.length && !found.untimed.length) return null
  const gone = called === undefined ? null : Math.max(0, (Math.max(time, opened) - Date.parse(called)) / 1000)
  const left = gone === null ? found.steady : found.steady - gone
  return (
    <section aria-label="Waits" className="mt-2" data-testid="waits">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="font-bold">Wait {duration(found.steady)}</h3>
        {gone === null ? (
          <Button onClick={() => edit({ kind: 'noteCall', card: card.id, when: now().toISOString() })}>
            The call is made: count
          </Button>
        ) : (
          <>
            <span
              className="font-mono text-2xl font-bold tabular-nums"
              role="timer"
              data-left={Math.ceil(left)}
            >
              {left > 0 ? clock(left) : 'Now'}
            </span>
            <Button look="quiet" onClick={() => edit({ kind: 'noteCall', card: card.id, when: null })}>
              Stop counting
            </Button>
          </>
        )}
      </div>
      <ul className="mt-1 text-[15px]">
        {waits.map((w) => (
          <li key={w.load} className="flex flex-wrap gap-x-3" data-wait={w.load}>
            <span className="min-w-20 tabular-nums">
              {gone === null ? duration(w.seconds) : gone >= w.seconds ? 'now' : clock(w.seconds - gone)}
            </span>
            <span>
              {refWords(inst, w.load)}
              {w.on ? '' : ' off'}
              <span className="text-soft">{waitReason(inst, w)}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
