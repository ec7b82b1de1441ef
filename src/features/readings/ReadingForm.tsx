'use client'

import { kindsFor, READING_KINDS, READINGS, SPOTS, type ReadingKind } from '@/core/readings'
import { useMemo, useState } from 'react'
import { now } from '@/client'
import * as yup from 'yup'
import type { Reading } from '@/core/startup'
import { sentence, verdictOf } from '@/jobfile'
import { Button, SelectField, Field, Input, useDraftForm } from '@/ui'
import { KIND_WORDS, spotWords, TOOL_WORDS } from '@/words'
import { useJobScreen } from '../session'
import { LiveValue } from '../instruments'
import { takeReading } from './takeReading'
import { VerdictLine } from './VerdictLine'

const BLOWER = ['yes', 'no', 'unknown'] as const

/** Typed text, before it is a reading. */
interface Draft {
  kind: ReadingKind
  /** Place and terminal, or '' for the likeliest. */
  spotAt: string
  value: string
  blower: (typeof BLOWER)[number]
  /** null: the usual one for the kind. */
  instrument: string | null
  /** The cabinet stands open. */
  panelsOff: boolean
  /** The two readings that one is the difference of. */
  feed: string
  kit: string
}
const draftSchema = yup.object({
  kind: yup.string().oneOf(READING_KINDS).required(),
  spotAt: yup.string().defined(),
  value: yup
    .string()
    .defined()
    .test('reading', (text, { parent, createError }) => {
      const wrong = valueProblem(text, (parent as Draft).kind)
      return wrong === null || createError({ message: wrong })
    }),
  blower: yup.string().oneOf(BLOWER).required(),
  instrument: yup.string().max(80).nullable().defined(),
  panelsOff: yup.boolean().defined(),
  feed: yup.string().max(20).defined(),
  kit: yup.string().max(20).defined(),
})

/**
 * Takes a reading, judged while it is typed. With `corrects` it supersedes an earlier one, which it takes its state from.
 */
export function ReadingForm({
  state,
  name,
  since = null,
  corrects,
  onDone,
}: {
  /** The unit's state while it is taken, and what was temporarily changed for the test. */
  state: Pick<Reading, 'situation' | 'moved'>
  /** Name under which the draft is stored: one for each card. */
  name: string
  /** ISO time at which the card's call was made; left out: long ago. */
  since?: string | null
  corrects?: Reading
  onDone?: () => void
}) {
  const { inst, analysis, job, edit, who } = useJobScreen()
  const fresh: Draft = {
    kind: corrects?.kind ?? (state.situation.call === 'emergency' ? 'stripAmps' : 'controlVolts'),
    spotAt: corrects ? `${corrects.place}|${corrects.at}` : '',
    value: '',
    blower: 'unknown',
    instrument: null,
    panelsOff: false,
    feed: '',
    kit: '',
  }
  const draftKey = `reading-${job.id}-${name}`
  const { form, values, put, clear } = useDraftForm<Draft>(draftKey, draftSchema, fresh)
  const { kind, spotAt, value, blower, instrument, panelsOff, feed, kit } = values
  const [refused, setRefused] = useState<string | null>(null)
  // Kinds that nothing in this job has are not offered.
  const offered = useMemo(() => kindsFor(inst), [inst])
  const spots = SPOTS[kind](inst)
  const spot = spots.find((s) => `${s.place}|${s.at}` === spotAt) ?? spots[0]
  const meta = READINGS[kind]
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
          ...(panelsOff ? { panelsOff } : {}),
          instrument: instrument ?? TOOL_WORDS[READINGS[kind].tool],
          situation: state.situation,
          ...(state.moved?.length ? { moved: state.moved } : {}),
          who,
          when: now().toISOString(),
          supersedes: corrects?.id ?? null,
          ...(spot.place === 'twoClamps' && feed && kit
            ? { note: `${feed} A at the feed less ${kit} A at the kit` }
            : {}),
        }
      : null
  const { errors, isSubmitted } = form.formState
  const wrong = errors.value?.message ?? null
  // An empty box is wrong only once somebody has tried to save it.
  const shown = value.trim() !== '' || isSubmitted ? wrong : null

  const save = form.handleSubmit(() => {
    if (!reading) return
    const result = edit(takeReading(reading))
    if (!result.ok) return setRefused(result.problems.map(sentence).join('; '))
    setRefused(null)
    clear({ ...values, value: '', feed: '', kit: '' })
    onDone?.()
  })

  return (
    <form
      onSubmit={(e) => void save(e)}
      className="mt-2"
      aria-label={corrects ? 'Correct a reading' : 'Take a reading'}
    >
      <div className="grid grid-cols-2 gap-3 lg:grid-cols-5">
        <SelectField
          label="Reading"
          className="col-span-2 lg:col-span-1"
          value={kind}
          options={offered.map((k) => [k, KIND_WORDS[k]])}
          disabled={Boolean(corrects)}
          onValue={(k) => put({ kind: k, spotAt: '' })}
        />
        <SelectField
          label="Where"
          className="col-span-2 lg:col-span-1"
          value={spot ? `${spot.place}|${spot.at}` : ''}
          options={spots.map((s) => [`${s.place}|${s.at}`, spotWords(inst, kind, s)])}
          onValue={(at) => put({ spotAt: at })}
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
            onValue={(b) => put({ blower: b })}
          />
        )}
        {spot?.place === 'twoClamps' && (
          <TwoClamps
            feed={feed}
            kit={kit}
            onChange={(clamps) => put({ ...clamps, value: difference(clamps.feed, clamps.kit) ?? value })}
          />
        )}
        <Field label="Instrument">
          {(ids) => (
            <Input
              {...ids}
              value={instrument ?? TOOL_WORDS[READINGS[kind].tool]}
              maxLength={80}
              onChange={(e) => put({ instrument: e.target.value })}
            />
          )}
        </Field>
        <Field label={`Value, ${meta.unit}`} error={shown ?? refused}>
          {(ids) => (
            <div className="flex gap-2">
              <Input
                {...ids}
                inputMode="decimal"
                autoComplete="off"
                className="text-lg font-bold"
                value={value}
                onChange={(e) => {
                  put({ value: e.target.value })
                  setRefused(null)
                }}
              />
              {kind === 'rowOhms' && <Button onClick={() => put({ value: 'OL' })}>OL</Button>}
              {meta.least < 0 && (
                <Button
                  aria-label="Change the sign"
                  onClick={() => put({ value: value.startsWith('-') ? value.slice(1) : `-${value}` })}
                >
                  ±
                </Button>
              )}
            </div>
          )}
        </Field>
      </div>
      <div className="mt-2 flex min-h-14 flex-wrap items-center gap-3">
        <label className="flex min-h-12 items-center gap-2 text-sm lg:min-h-9">
          <input
            type="checkbox"
            className="size-5"
            checked={panelsOff}
            onChange={(e) => put({ panelsOff: e.target.checked })}
          />
          Panels off
        </label>
        <LiveValue
          point={
            spot
              ? {
                  quantity: kind,
                  place: spot.place,
                  at: spot.at,
                  withBlower: reading?.withBlower ?? (blower === 'no' ? false : null),
                  situation: state.situation,
                  ...(state.moved?.length ? { moved: state.moved } : {}),
                }
              : null
          }
          since={since}
          onTake={(taken, from) => {
            put({ value: String(taken), instrument: from })
            setRefused(null)
          }}
        />
        <Button look="strong" type="submit" onClick={undefined}>
          {corrects ? 'Save the correction' : 'Save the reading'}
        </Button>
        {corrects && <Button onClick={onDone}>Leave it as it was</Button>}
        <div className="min-w-0 flex-1 basis-64" aria-live="polite">
          {reading && wrong === null && <VerdictLine verdict={verdictOf(analysis, reading)} />}
        </div>
      </div>
    </form>
  )
}

/** The clamp about the feed and then about the kit alone: what is between them is the blower. */
function TwoClamps({
  feed,
  kit,
  onChange,
}: {
  feed: string
  kit: string
  onChange: (clamps: { feed: string; kit: string }) => void
}) {
  const box = (label: string, text: string, put: (t: string) => void) => (
    <Field label={label}>
      {(ids) => (
        <Input
          {...ids}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(e) => put(e.target.value)}
        />
      )}
    </Field>
  )
  return (
    <>
      {box('At the feed, A', feed, (t) => onChange({ feed: t, kit }))}
      {box('At the kit alone, A', kit, (t) => onChange({ feed, kit: t }))}
    </>
  )
}

/** Difference of two typed readings; null while either is no number. */
function difference(a: string, b: string): string | null {
  const [x, y] = [readValue(a, 'blowerAmps'), readValue(b, 'blowerAmps')]
  return typeof x === 'number' && typeof y === 'number' ? String(Number((x - y).toFixed(2))) : null
}

/** Error in a typed value, for the box below it; null: none. */
function valueProblem(text: string, kind: ReadingKind): string | null {
  if (text.trim() === '') return 'Type the reading first'
  const typed = readValue(text, kind)
  if (typed === null) return 'A number is expected here'
  const { least, most, unit } = READINGS[kind]
  return typed !== 'OL' && (typed < least || typed > most)
    ? `${least} to ${most} ${unit} is expected here`
    : null
}

/** A number, "OL" for ohms, or null for anything else. A decimal comma is a decimal point. */
function readValue(text: string, kind: ReadingKind): number | 'OL' | null {
  const t = text.trim().replace(',', '.')
  if (kind === 'rowOhms' && /^ol$/i.test(t)) return 'OL'
  return /^-?\d*\.?\d+$/.test(t) ? Number(t) : null
}
