'use client'

import { READINGS } from '@/core/readings'
import { useState } from 'react'
import { currentReadings, supersededBy, type Reading } from '@/core/startup'
import { verdictOf } from '@/jobfile'
import { Button } from '@/ui'
import { KIND_WORDS, dateWords, readingWords, situationWords } from '@/words'
import { useJobScreen } from '../session'
import { ReadingForm } from './ReadingForm'
import { VerdictLine } from './VerdictLine'

/** Readings with their verdicts. A correction stands above the reading that it supersedes; nothing disappears. */
export function ReadingList({
  readings,
  editable = true,
}: {
  readings: readonly Reading[]
  editable?: boolean
}) {
  const { job } = useJobScreen()
  const stands = currentReadings(readings)
  if (!stands.length) return null
  return (
    <ul className="mt-1">
      {stands.map((r) => (
        <ReadingItem key={r.id} reading={r} earlier={supersededBy(r, job.readings)} editable={editable} />
      ))}
    </ul>
  )
}

function ReadingItem({
  reading: r,
  earlier,
  editable,
}: {
  reading: Reading
  earlier: Reading[]
  editable: boolean
}) {
  const { inst, analysis } = useJobScreen()
  const [correcting, setCorrecting] = useState(false)
  const { unit } = READINGS[r.kind]
  const stamp = (x: Reading) =>
    `${x.instrument}, ${x.who || 'nobody named'}, ${dateWords(x.when, 'd MMM yyyy HH:mm')}` +
    (x.deviceWhen ? `. The device’s clock said ${dateWords(x.deviceWhen, 'd MMM yyyy HH:mm')}` : '')
  return (
    <li className="border-t border-line py-2" data-reading={r.id}>
      <div className="flex flex-wrap items-start justify-between gap-x-3">
        <p className="min-w-0 flex-1 basis-56">
          <span className="font-bold">{KIND_WORDS[r.kind]}: </span>
          {readingWords(inst, r, unit)}
        </p>
        {editable && !correcting && (
          <Button
            look="quiet"
            className="!min-h-9 !px-2 text-sm underline"
            onClick={() => setCorrecting(true)}
          >
            Correct it
          </Button>
        )}
      </div>
      <VerdictLine verdict={verdictOf(analysis, r)} />
      <p className="text-sm text-soft">
        {r.note && `${r.note}. `}
        {situationWords(inst, r.situation)}. {stamp(r)}
      </p>
      {earlier.map((e) => (
        <p key={e.id} className="text-sm text-soft" data-superseded={e.id}>
          Superseded: <s>{readingWords(inst, e, unit)}</s>. {stamp(e)}
        </p>
      ))}
      {correcting && <ReadingForm state={r} name={r.id} corrects={r} onDone={() => setCorrecting(false)} />}
    </li>
  )
}
