'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import { addJob, linesOf } from '@/client'
import { houseValue } from '@/core/house'
import type { Installation } from '@/core/installation'
import type { SiteFault } from '@/core/instruments'
import { FRESH_PROGRESS } from '@/core/startup'
import { cut } from '@/jobfile'
import { Button, Disclosure, useLocalStorage, writeStored } from '@/ui'
import { hiddenWords } from '@/words'
import { SiteRunner } from '@/workers'
import { useJobScreen } from '../session'

/** Which hidden site a job is rehearsed on; null: it is a job, and no rehearsal. */
type Hidden = { seed: number; hasFault: boolean } | null
const keyOf = (job: string): string => `gate-cross-rehearsal-${job}`

/** A whole run rehearsed with no hardware: on a copy, with stand-in instruments over a site that hides something, or nothing. */
export function Rehearsal() {
  const { job, inst } = useJobScreen()
  const [hidden] = useLocalStorage<Hidden>(keyOf(job.id), null)
  if (!hidden) return <Offer />
  const altitudeFt = houseValue(job.house, 'altitudeFt') ?? 0
  return <Running key={`${hidden.seed}`} hidden={hidden} inst={inst} altitudeFt={altitudeFt} />
}

function Offer() {
  const { job, situation } = useJobScreen()
  const router = useRouter()
  const [said, setSaid] = useState<string | null>(null)
  const begin = async (hasFault: boolean) => {
    // Readings from the real site are not part of a practice run.
    const answer = await addJob({
      ...job,
      title: cut(`Rehearsal: ${job.title}`, 120),
      readings: [],
      startup: FRESH_PROGRESS,
    })
    if (!answer.ok) return setSaid(linesOf(answer, 'A rehearsal needs the server').join('; '))
    writeStored(keyOf(answer.value.id), JSON.stringify({ seed: Math.floor(Math.random() * 1e9), hasFault }))
    // Nothing is called yet: the run begins at its first card, on the day that the dock stands at.
    router.push(`/job/${answer.value.id}/startup?call=off&t=${situation.outdoorF}`)
  }
  return (
    <Disclosure
      className="mt-4 border-t border-line pt-2"
      summary="Rehearse this run with stand-in instruments"
      summaryClass="min-h-12 py-2 font-bold lg:min-h-9 lg:py-1"
    >
      <p className="text-[15px]">
        On a copy of this job, with a clamp, a voltmeter, thermometers, a manometer, gauges and an analyser
        that show what a house would: as it is recorded, or with one thing wrong that nobody tells you.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="strong" onClick={() => void begin(true)}>
          Something is wrong
        </Button>
        <Button onClick={() => void begin(false)}>All is sound</Button>
      </div>
      {said && (
        <p role="alert" className="mt-2 text-harm">
          {said}
        </p>
      )}
    </Disclosure>
  )
}

interface Site {
  hidden: NonNullable<Hidden>
  inst: Installation
  altitudeFt: number
}
function Running({ hidden, inst, altitudeFt }: Site) {
  const runner = useRef<SiteRunner | null>(null)
  const [first] = useState({ inst, altitudeFt })
  const [fault, setFault] = useState<{ is: SiteFault | null } | null>(null)
  useEffect(() => {
    const made = new SiteRunner()
    // The site stands as the job was when it was begun: what is put right in the record does not mend it.
    void made.stand(first.inst, first.altitudeFt, hidden.seed, hidden.hasFault)
    runner.current = made
    return () => made.close()
  }, [first, hidden])
  const reveal = async () => {
    const is = await runner.current?.reveal()
    setFault({ is: is ?? null })
  }
  return (
    <section
      aria-label="Rehearsal"
      data-testid="rehearsal"
      className="mt-2 flex flex-wrap items-center gap-3 border-l-4 border-slate bg-slate-soft px-3 py-2 text-[15px]"
    >
      <p className="flex-1 basis-60">
        {fault
          ? hiddenWords(inst, fault.is)
          : 'A rehearsal: stand-in instruments show what a hidden site has. Read, judge, and find it.'}
      </p>
      {!fault && <Button onClick={() => void reveal()}>What was wrong?</Button>}
    </section>
  )
}
