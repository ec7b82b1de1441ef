'use client'

import { useState } from 'react'
import { formatReadings, parseReadings, sentence } from '@/jobfile'
import { Button, downloadFile, FileButton } from '@/ui'
import { useJobScreen } from '../session'

/** Readings exported as a table and imported from one: whole or not at all, and each once. */
export function ReadingsFile() {
  const { job, edit } = useJobScreen()
  const [said, setSaid] = useState<{ ok: boolean; lines: string[] } | null>(null)
  const importFile = async (file: File) => {
    const read = parseReadings(await file.text())
    if (!read.ok) return setSaid({ ok: false, lines: read.problems.map(sentence) })
    const known = new Set(job.readings.map((r) => r.id))
    const fresh = read.value.filter((r) => !known.has(r.id))
    const made = edit(fresh.map((reading) => ({ kind: 'takeReading', reading })))
    setSaid(
      made.ok
        ? {
            ok: true,
            lines: [
              `${fresh.length} readings are imported; ${read.value.length - fresh.length} were here already.`,
            ],
          }
        : { ok: false, lines: made.problems.map(sentence) },
    )
  }
  return (
    <div className="no-print mt-3">
      <div className="flex flex-wrap gap-3">
        <Button
          disabled={!job.readings.length}
          onClick={() => downloadFile(`${job.id}-readings.csv`, 'text/csv', formatReadings(job.readings))}
        >
          Export the readings
        </Button>
        <FileButton label="Import readings" name="Readings file" onFile={(file) => void importFile(file)} />
      </div>
      {said && (
        <div role="status" className={said.ok ? 'mt-2 bg-well-soft p-3' : 'mt-2 bg-harm-soft p-3'}>
          {!said.ok && <p className="font-bold">Nothing was imported.</p>}
          <ul>
            {said.lines.slice(0, 8).map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  )
}
