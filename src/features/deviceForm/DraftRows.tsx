'use client'

import { Trash2 } from 'lucide-react'
import { bankTable, coilsAmong, rowsOn } from '@/core/deviceBuilder'
import { hasTrait, type DeviceDraft, type DraftRow } from '@/core/equipment'
import { Button, NumberField, SelectField } from '@/ui'
import { bankWords } from '@/words'

const MOST_ROWS = 6
const FIRST: DraftRow = { watts: 4800, by: 'W1', circuit: 1 }

/** The heater rows as the label lists them, and the bank table that they make. */
export function DraftRows({
  draft,
  put,
}: {
  draft: DeviceDraft
  put: (change: Partial<DeviceDraft>) => void
}) {
  const { rows } = draft
  const change = (at: number, to: Partial<DraftRow>) =>
    put({ rows: rows.map((r, i) => (i === at ? { ...r, ...to } : r)) })
  const coils = coilsAmong(draft.terminals)
  const circuits = hasTrait(draft, 'addsStrips')
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 text-sm text-soft">Heater rows, at 240 V</legend>
      <ul className="space-y-2">
        {rows.map((row, i) => (
          <li key={i} className="flex flex-wrap items-end gap-2" data-row={i + 1}>
            <NumberField
              label={`Row ${i + 1}, W`}
              className="w-28"
              value={row.watts}
              {...{ least: 100, most: 10_000, unit: 'W' }}
              onValue={(watts) => watts !== null && change(i, { watts })}
            />
            <SelectField
              label="Brought on by"
              value={row.by}
              options={coils.map((w) => [w, w])}
              onValue={(by) => change(i, { by })}
            />
            {circuits && (
              <SelectField
                label="Line circuit"
                value={String(row.circuit)}
                options={['1', '2', '3'].map((c) => [c, c])}
                onValue={(c) => change(i, { circuit: Number(c) as DraftRow['circuit'] })}
              />
            )}
            <Button
              look="quiet"
              aria-label={`Remove row ${i + 1}`}
              onClick={() => put({ rows: rows.filter((_, j) => j !== i) })}
            >
              <Trash2 aria-hidden className="size-4" />
            </Button>
          </li>
        ))}
      </ul>
      {rows.length < MOST_ROWS && (
        <Button className="mt-2" onClick={() => put({ rows: [...rows, rows[rows.length - 1] ?? FIRST] })}>
          Add a row
        </Button>
      )}
      <ul className="mt-2 text-[15px]" data-testid="banks">
        {bankTable(rowsOn(draft)).map((b) => (
          <li key={b.coils.join()}>{bankWords(b)}</li>
        ))}
      </ul>
    </fieldset>
  )
}
