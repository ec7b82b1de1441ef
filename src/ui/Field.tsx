'use client'

import { useId, useState, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react'
import { cx } from './cx'

/** A label over its control, with a line below for what is wrong or worth knowing. */
export function Field({
  label,
  note,
  error,
  children,
  className,
}: {
  label: string
  note?: ReactNode
  error?: string | null
  className?: string | undefined
  children: (ids: {
    id: string
    'aria-describedby': string | undefined
    'aria-invalid': boolean
  }) => ReactNode
}) {
  const id = useId()
  const below = `${id}-below`
  const said = error ?? note
  return (
    <div className={cx('min-w-0', className)}>
      {label && (
        <label htmlFor={id} className="mb-1 block text-sm text-soft">
          {label}
        </label>
      )}
      {children({ id, 'aria-describedby': said ? below : undefined, 'aria-invalid': Boolean(error) })}
      {said && (
        <div
          id={below}
          className={cx('mt-1 text-sm', error ? 'text-harm' : 'text-soft')}
          role={error ? 'alert' : undefined}
        >
          {said}
        </div>
      )}
    </div>
  )
}

export function Select({ className, ...rest }: SelectHTMLAttributes<HTMLSelectElement>) {
  return <select className={cx('box', className)} {...rest} />
}
/**
 * A field whose answer is one of a list.
 * @param options each answer with its words
 * @param none what stands for no answer, which is the empty text
 */
export function SelectField<T extends string>({
  label,
  value,
  options,
  none,
  onValue,
  disabled,
  name,
  ...field
}: {
  label: string
  /** Accessible name, where the label alone is not clear. */
  name?: string
  value: T | ''
  options: readonly (readonly [T, string])[]
  none?: string
  onValue: (value: T) => void
  disabled?: boolean
  note?: ReactNode
  className?: string | undefined
}) {
  return (
    <Field label={label} {...field}>
      {(ids) => (
        <Select
          {...ids}
          {...(name && { 'aria-label': name })}
          value={value}
          disabled={disabled}
          onChange={(e) => onValue(e.target.value as T)}
        >
          {none !== undefined && <option value="">{none}</option>}
          {options.map(([each, words]) => (
            <option key={each} value={each}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
}
export function Input({ className, ...rest }: InputHTMLAttributes<HTMLInputElement>) {
  return <input className={cx('box', className)} {...rest} />
}

/**
 * A text or number box that is saved as it is typed: it shows the stored value until the person types, and goes back
 * to it on leaving, so that what was refused does not look stored. Mount it anew (key) for another thing.
 * @param onValue takes what is typed; false: it is refused
 * @param onRestore takes what stood there before, where the beginning of what is refused has been stored ("3" of "350")
 */
export function TypedInput({
  value,
  onValue,
  onRestore,
  ...rest
}: Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'> & {
  value: string
  onValue: (text: string) => unknown
  onRestore?: (before: string) => void
}) {
  const [draft, setDraft] = useState<{ text: string; before: string } | null>(null)
  return (
    <Input
      {...rest}
      value={draft?.text ?? value}
      onChange={(e) => {
        const text = e.target.value
        const before = draft?.before ?? value
        setDraft({ text, before })
        if (onValue(text) === false && value !== before) onRestore?.(before)
      }}
      onBlur={() => setDraft(null)}
    />
  )
}
