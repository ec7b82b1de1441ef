'use client'

import { useState } from 'react'
import type { Unknowable, Value } from '@/core/equipment'
import { isAllowed, type Allowed } from '@/core/setup'
import { Field, Select, TypedInput, typedNumber } from '@/ui'

/** Select for a value among those that the device takes; "not known" is one of them. */
export function ValueField({
  label,
  allowed,
  value,
  onValue,
  none = 'not known yet',
}: {
  label: string
  allowed: Allowed
  value: Unknowable<Value> | undefined
  onValue: (value: Unknowable<Value>) => void
  none?: string
}) {
  const [error, setError] = useState<string | null>(null)
  return (
    <Field label={label} error={error}>
      {(ids) =>
        allowed.kind === 'options' ? (
          <Select
            {...ids}
            value={value === null || value === undefined ? '' : String(value)}
            onChange={(e) => {
              const hit = allowed.values.find((v) => String(v.value) === e.target.value)
              onValue(hit ? hit.value : null)
            }}
          >
            <option value="">{none}</option>
            {allowed.values.map((v) => (
              <option key={v.value} value={v.value}>
                {v.label}
              </option>
            ))}
          </Select>
        ) : (
          <TypedInput
            {...ids}
            inputMode="decimal"
            placeholder={none}
            value={value === null || value === undefined ? '' : String(value)}
            onValue={(text) => {
              const isOpen = text.trim() === ''
              const n = typedNumber(text)
              const ok = n !== undefined && isAllowed(allowed, n)
              setError(
                ok || isOpen
                  ? null
                  : `Not stored: ${allowed.low} to ${allowed.high}${allowed.unit ? ` ${allowed.unit}` : ''}, in steps of ${allowed.step}`,
              )
              if (ok) onValue(n)
              else if (isOpen) onValue(null)
              return ok || isOpen
            }}
            onRestore={(before) => onValue(typedNumber(before) ?? null)}
          />
        )
      }
    </Field>
  )
}
