'use client'

import { Collapsible } from 'radix-ui'
import { useState } from 'react'
import { hasTrait, PLATES, type Plate, type PlateField } from '@/core/equipment'
import type { Placed } from '@/core/installation'
import { sentence } from '@/jobfile'
import { Field, SelectField, TypedInput, typedNumber } from '@/ui'
import { plateFieldLabel, plateValue } from '@/words'
import { useChangedBy } from '../news'
import { useJobScreen } from '../session'

/** The plate as it was read on this unit: what is typed here wins over the device's own description. */
export function PlateRead({ placed }: { placed: Placed }) {
  const { job } = useJobScreen()
  const [open, setOpen] = useState(false)
  const fields = Object.entries(PLATES[placed.device.kind]).filter(([, f]) => f.type !== 'table') as [
    keyof Plate,
    PlateField,
  ][]
  if (!fields.length || hasTrait(placed.device, 'joinsWires')) return null
  const site = job.commissioning.plates[placed.ref] ?? {}
  const read = fields.filter(([f]) => site[f] !== undefined).length
  return (
    <Collapsible.Root className="mt-2" open={open} onOpenChange={setOpen}>
      <Collapsible.Trigger
        className="min-h-12 text-sm underline lg:min-h-8"
        aria-label={`The plate of ${placed.label}`}
      >
        {open ? 'Close the plate' : 'Read its plate'}
        {read > 0 && ` (${read} read)`}
      </Collapsible.Trigger>
      <Collapsible.Content>
        <p className="text-sm text-soft">What is read here wins over the device’s own description.</p>
        <div className="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2">
          {fields.map(([f, spec]) => (
            <PlateBox key={f} placed={placed} field={f} spec={spec} value={site[f] as PlateScalar} />
          ))}
        </div>
      </Collapsible.Content>
    </Collapsible.Root>
  )
}

type PlateScalar = string | number | boolean | undefined

function PlateBox({
  placed,
  field,
  spec,
  value,
}: {
  placed: Placed
  field: keyof Plate
  spec: PlateField
  value: PlateScalar
}) {
  const { edit } = useJobScreen()
  const [error, setError] = useState<string | null>(null)
  const changed = useChangedBy(`commissioning.plates.${placed.ref}.${field}`)
  const store = (v: NonNullable<PlateScalar> | null) =>
    edit({ kind: 'setPlate', ref: placed.ref, field, value: v })
  const put = (v: NonNullable<PlateScalar> | null): boolean => {
    const result = store(v)
    setError(result.ok ? null : `Not stored: ${result.problems.map(sentence).join('; ')}`)
    return result.ok
  }
  const described = placed.device.plate[field]
  const usual = described === undefined ? null : plateValue(field, described)
  const label = plateFieldLabel(field)
  if (spec.type === 'number')
    return (
      <Field label={label} error={error} note={changed}>
        {(ids) => (
          <TypedInput
            {...ids}
            inputMode="decimal"
            value={value === undefined ? '' : String(value)}
            placeholder={usual === null ? 'not read' : `${usual}, as described`}
            onValue={(t) => put(t.trim() === '' ? null : (typedNumber(t) ?? Number.NaN))}
            onRestore={(before) => store(typedNumber(before) ?? null)}
          />
        )}
      </Field>
    )
  const options: [string, string][] =
    spec.type === 'choice'
      ? spec.values.map((v) => [v, v])
      : [
          ['yes', 'yes'],
          ['no', 'no'],
        ]
  return (
    <SelectField
      label={label}
      value={value === undefined ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)}
      options={[['', usual === null ? 'Not read' : `Not read; ${usual} as described`], ...options]}
      onValue={(v) => put(v === '' ? null : spec.type === 'choice' ? v : v === 'yes')}
    />
  )
}
