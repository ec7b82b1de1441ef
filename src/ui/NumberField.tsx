'use client'

import { useState, type ReactNode } from 'react'
import { Field, TypedInput } from './Field'
import { typedNumber } from './typedNumber'

/**
 * A number that is saved as it is typed and may be left open. What cannot be kept says what could be, and changes nothing.
 * @param beside what stands next to the box
 */
export function NumberField({
  label,
  value,
  least,
  most,
  unit = '',
  whole = false,
  placeholder = 'not known',
  name,
  beside,
  className,
  disabled,
  onValue,
}: {
  label: string
  value: number | undefined
  least: number
  most: number
  unit?: string
  whole?: boolean
  placeholder?: string
  /** Accessible name, where the label alone is not clear. */
  name?: string
  beside?: ReactNode
  className?: string
  disabled?: boolean
  onValue: (value: number | null) => void
}) {
  const [refused, setRefused] = useState<string | null>(null)
  const range = `${least.toLocaleString('en')} to ${most.toLocaleString('en')} ${unit}`.trim()
  return (
    <Field
      label={label}
      className={className}
      error={refused === null ? null : `“${refused}” is not kept: ${range}`}
    >
      {(ids) => (
        <div className="flex gap-1">
          <TypedInput
            {...ids}
            {...(name && { 'aria-label': name })}
            inputMode="decimal"
            disabled={disabled}
            placeholder={placeholder}
            value={value?.toString() ?? ''}
            onValue={(text) => {
              const n = typedNumber(text)
              const fits = n !== undefined && n >= least && n <= most && (!whole || Number.isInteger(n))
              const isOpen = text.trim() === ''
              setRefused(fits || isOpen ? null : text)
              if (fits) onValue(n)
              else if (isOpen) onValue(null)
              return fits || isOpen
            }}
            onRestore={(before) => onValue(typedNumber(before) ?? null)}
          />
          {beside}
        </div>
      )}
    </Field>
  )
}
