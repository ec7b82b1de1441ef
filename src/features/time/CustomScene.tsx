'use client'

import { Plus, X } from 'lucide-react'
import type { SceneEventKind } from '@/core/simulation'
import { Button, Field, Input, Select, SelectField } from '@/ui'
import { OWN_PROBLEM_WORDS, OWN_VALUE_WORDS, OWN_WHAT_WORDS } from '@/words'
import { problemOf, type SceneRow } from './sceneRows'

const WHATS = Object.entries(OWN_WHAT_WORDS) as [SceneEventKind, string][]
/** First entry of a line whose event is changed. */
const FRESH: Record<SceneEventKind, string> = {
  set: '70',
  out: '30',
  system: 'emergency',
  power: 'off',
  fault: 'lowCharge',
  end: '',
}

/** A scene of one's own, line by line: when, what, and to what. */
export function CustomScene({
  rows,
  onRows,
}: {
  rows: readonly SceneRow[]
  onRows: (rows: SceneRow[]) => void
}) {
  const put = (i: number, row: Partial<SceneRow>) =>
    onRows(rows.map((r, k) => (k === i ? { ...r, ...row } : r)))
  return (
    <fieldset className="mt-2" data-testid="own-scene">
      <legend className="text-sm text-soft">What happens, from 0:00 on; its weather in straight lines</legend>
      <ul className="space-y-1">
        {rows.map((row, i) => {
          const wrong = problemOf(row)
          const values = OWN_VALUE_WORDS[row.what]
          const line = `line ${i + 1}`
          return (
            // A line is what stands there: it has no other name.
            <li
              key={i}
              className="grid grid-cols-[4.25rem_minmax(0,1fr)_minmax(0,1.3fr)_2.5rem] items-end gap-2 lg:grid-cols-[5rem_10rem_26rem_2.5rem]"
            >
              <Field label={i ? '' : 'At, h:mm'}>
                {(ids) => (
                  <Input
                    {...ids}
                    aria-label={`At, h:mm, ${line}`}
                    aria-invalid={wrong === 'time'}
                    inputMode="text"
                    value={row.at}
                    onChange={(e) => put(i, { at: e.target.value })}
                  />
                )}
              </Field>
              <Field label={i ? '' : 'What'}>
                {(ids) => (
                  <Select
                    {...ids}
                    aria-label={`What, ${line}`}
                    value={row.what}
                    onChange={(e) => {
                      const what = WHATS.find(([w]) => w === e.target.value)?.[0] ?? 'set'
                      put(i, { what, value: FRESH[what] })
                    }}
                  >
                    {WHATS.map(([w, words]) => (
                      <option key={w} value={w}>
                        {words}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              {values ? (
                <SelectField
                  label={i ? '' : 'To'}
                  name={`To, ${line}`}
                  value={row.value}
                  options={Object.entries(values)}
                  onValue={(value) => put(i, { value })}
                />
              ) : row.what === 'end' ? (
                <span />
              ) : (
                <Field label={i ? '' : 'To, °F'}>
                  {(ids) => (
                    <Input
                      {...ids}
                      aria-label={`To, °F, ${line}`}
                      aria-invalid={wrong !== null && wrong !== 'time'}
                      inputMode="decimal"
                      value={row.value}
                      onChange={(e) => put(i, { value: e.target.value })}
                    />
                  )}
                </Field>
              )}
              <Button
                look="quiet"
                className="!px-2"
                aria-label={`Remove ${line}`}
                onClick={() => onRows(rows.filter((_, k) => k !== i))}
              >
                <X aria-hidden className="size-4" />
              </Button>
              {wrong && (
                <p className="col-span-full text-sm text-harm" role="alert">
                  Line {i + 1} is left out: expected {OWN_PROBLEM_WORDS[wrong]}.
                </p>
              )}
            </li>
          )
        })}
      </ul>
      <Button
        className="mt-2"
        onClick={() =>
          onRows([...rows, { at: rows[rows.length - 1]?.at ?? '0:00', what: 'set', value: '70' }])
        }
      >
        <Plus aria-hidden className="size-4" /> Add a line
      </Button>
    </fieldset>
  )
}
