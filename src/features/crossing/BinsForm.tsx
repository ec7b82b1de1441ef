'use client'

import { useState } from 'react'
import * as yup from 'yup'
import { parseWeather, sentence } from '@/jobfile'
import { Button, Disclosure, Field, useDraftForm } from '@/ui'
import { useJobScreen } from '../session'

const TITLES = 'Outdoor temperature °F,hours\n'
const schema = yup.object({ text: yup.string().defined().max(20_000) })

/** "47 812" or "47; 812" as a line of the file that it stands for. */
const asCsv = (typed: string): string =>
  TITLES +
  typed
    .split('\n')
    .map((line) => line.trim().replace(/[\s;,]+/g, ','))
    .join('\n')

/** Temperatures and the hours a year that have them, typed from a table of the place; a half-typed one outlives the page. */
export function BinsForm() {
  const { job, edit } = useJobScreen()
  const { values, put, clear } = useDraftForm(`bins-${job.id}`, schema, { text: '' })
  const [wrong, setWrong] = useState<string[]>([])
  const keep = () => {
    const read = parseWeather(asCsv(values.text), 'Typed temperatures and hours')
    // The title line is not the person's: theirs begins below it.
    if (!read.ok)
      return setWrong(
        read.problems.map((p) =>
          sentence({ ...p, path: p.path || 'the table', ...(p.line ? { line: p.line - 1 } : {}) }),
        ),
      )
    const done = edit({ kind: 'setClimate', climate: read.value })
    if (!done.ok) return setWrong(done.problems.map(sentence))
    setWrong([])
    clear({ text: '' })
  }
  return (
    <Disclosure summary="Type temperatures and hours" summaryClass="min-h-12 py-2 lg:min-h-9 lg:py-1">
      <Field
        label="°F, and hours a year, a line each"
        note="Such as 47 812: a year has 8760 hours, a day more or less is taken"
      >
        {(ids) => (
          <textarea
            {...ids}
            rows={6}
            className="w-full max-w-xs rounded border border-edge bg-raised px-3 py-2 font-mono text-[15px]"
            value={values.text}
            onChange={(e) => put({ text: e.target.value })}
          />
        )}
      </Field>
      <Button className="mt-2" look="strong" disabled={!values.text.trim()} onClick={keep}>
        Reckon with these
      </Button>
      {wrong.map((w) => (
        <p key={w} role="alert" className="mt-1 text-sm text-harm">
          {w}
        </p>
      ))}
    </Disclosure>
  )
}
