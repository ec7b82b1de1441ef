'use client'

import { useState, type FormEvent } from 'react'
import type { Call } from '@/core/equipment'
import { cardSituation, judge, READING_KINDS, type Reading, type ReadingKind } from '@/core/startup'
import { sentence } from '@/jobfile'
import { Button, SelectField, Field, Input } from '@/ui'
import { KIND_WORDS } from '@/words'
import { useJobScreen } from '../session'
import { spotsFor } from './spots'
import { VerdictLine } from './VerdictLine'

const KINDS = Object.keys(READING_KINDS) as ReadingKind[]
const INSTRUMENTS: Record<ReadingKind, string> = {
  controlVolts: 'multimeter',
  lineVolts: 'multimeter',
  stripAmps: 'clamp meter',
  rowOhms: 'multimeter',
  returnAir: 'probe thermometer',
  supplyAir: 'probe thermometer',
}
type Blower = 'yes' | 'no' | 'unknown'

/** Takes a reading for a call, judged while it is typed. With `corrects`, it supersedes an earlier one. */
export function ReadingForm({
  call,
  corrects,
  onDone,
}: {
  call: Call
  corrects?: Reading
  onDone?: () => void
}) {
  const { inst, job, edit, situation, who } = useJobScreen()
  const [kind, setKind] = useState<ReadingKind>(
    corrects?.kind ?? (call === 'fan' ? 'controlVolts' : call === 'emergency' ? 'stripAmps' : 'controlVolts'),
  )
  const spots = spotsFor(inst, kind)
  const [spotAt, setSpotAt] = useState(corrects ? `${corrects.place}|${corrects.at}` : '')
  const spot = spots.find((s) => `${s.place}|${s.at}` === spotAt) ?? spots[0]
  const [value, setValue] = useState('')
  const [blower, setBlower] = useState<Blower>('unknown')
  const [instrument, setInstrument] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const meta = READING_KINDS[kind]
  const typed = readValue(value, kind)

  const reading: Reading | null =
    spot && typed !== null
      ? {
          id: 'draft',
          kind,
          value: typed,
          place: spot.place,
          at: spot.at,
          withBlower:
            kind === 'stripAmps' && spot.place === 'feed'
              ? blower === 'unknown'
                ? null
                : blower === 'yes'
              : null,
          instrument: instrument ?? INSTRUMENTS[kind],
          situation: corrects?.situation ?? cardSituation(call, situation),
          who,
          when: '2026-01-01T00:00:00Z',
          supersedes: corrects?.id ?? null,
        }
      : null
  const absurd = typed !== null && typed !== 'OL' && (typed < meta.least || typed > meta.most)
  const bad =
    value.trim() !== '' && typed === null
      ? 'A number is expected here'
      : absurd
        ? `${meta.least} to ${meta.most} ${meta.unit} is expected here`
        : null

  const save = (e: FormEvent) => {
    e.preventDefault()
    if (!reading || absurd) return setProblem(bad ?? 'Type the reading first')
    const result = edit({
      kind: 'takeReading',
      reading: { ...reading, id: `r-${crypto.randomUUID().slice(0, 13)}`, when: new Date().toISOString() },
    })
    if (!result.ok) return setProblem(result.problems.map(sentence).join('; '))
    setProblem(null)
    setValue('')
    onDone?.()
  }

  return (
    <form onSubmit={save} className="mt-2" aria-label={corrects ? 'Correct a reading' : 'Take a reading'}>
      <div className="grid grid-cols-2 gap-3 lg:grid-cols-5">
        <SelectField
          label="Reading"
          className="col-span-2 lg:col-span-1"
          value={kind}
          options={KINDS.map((k) => [k, KIND_WORDS[k]])}
          disabled={Boolean(corrects)}
          onValue={(k) => {
            setKind(k)
            setSpotAt('')
          }}
        />
        <SelectField
          label="Where"
          className="col-span-2 lg:col-span-1"
          value={spot ? `${spot.place}|${spot.at}` : ''}
          options={spots.map((s) => [`${s.place}|${s.at}`, s.label])}
          onValue={setSpotAt}
        />
        {kind === 'stripAmps' && spot?.place === 'feed' && (
          <SelectField
            label="Blower in the clamp"
            value={blower}
            options={[
              ['yes', 'yes'],
              ['no', 'no'],
              ['unknown', 'not known'],
            ]}
            onValue={setBlower}
          />
        )}
        <Field label="Instrument">
          {(ids) => (
            <Input
              {...ids}
              value={instrument ?? INSTRUMENTS[kind]}
              maxLength={80}
              onChange={(e) => setInstrument(e.target.value)}
            />
          )}
        </Field>
        <Field label={`Value, ${meta.unit}`} error={bad ?? problem}>
          {(ids) => (
            <div className="flex gap-2">
              <Input
                {...ids}
                inputMode="decimal"
                autoComplete="off"
                className="text-lg font-bold"
                value={value}
                onChange={(e) => {
                  setValue(e.target.value)
                  setProblem(null)
                }}
              />
              {kind === 'rowOhms' && <Button onClick={() => setValue('OL')}>OL</Button>}
              {meta.least < 0 && (
                <Button
                  aria-label="Change the sign"
                  onClick={() => setValue(value.startsWith('-') ? value.slice(1) : `-${value}`)}
                >
                  ±
                </Button>
              )}
            </div>
          )}
        </Field>
      </div>
      <div className="mt-2 flex min-h-14 flex-wrap items-center gap-3">
        <Button look="strong" type="submit" onClick={undefined}>
          {corrects ? 'Save the correction' : 'Save the reading'}
        </Button>
        {corrects && <Button onClick={onDone}>Leave it as it was</Button>}
        <div className="min-w-0 flex-1 basis-64" aria-live="polite">
          {reading && !absurd && <VerdictLine verdict={judge(inst, reading, job.readings)} />}
        </div>
      </div>
    </form>
  )
}

/** A number, "OL" for ohms, or null for anything else. A decimal comma is a decimal point. */
function readValue(text: string, kind: ReadingKind): number | 'OL' | null {
  const t = text.trim().replace(',', '.')
  if (kind === 'rowOhms' && /^ol$/i.test(t)) return 'OL'
  return /^-?\d*\.?\d+$/.test(t) ? Number(t) : null
}
