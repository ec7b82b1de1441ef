'use client'

import { fieldsOf } from '@/core/deviceBuilder'
import type { DeviceDraft, DraftField } from '@/core/equipment'
import { NumberField, SelectField } from '@/ui'
import { draftFieldWords, draftOptionWords } from '@/words'

/** Fields of a device of this kind, beside its terminals. */
export function DraftFields({
  draft,
  put,
}: {
  draft: DeviceDraft
  put: (change: Partial<DeviceDraft>) => void
}) {
  return (
    <div className="mt-3 grid items-end gap-3 sm:grid-cols-3">
      {fieldsOf(draft).map((field) => (
        <OneField key={field.key} field={field} value={draft[field.key]} put={put} />
      ))}
    </div>
  )
}

function OneField({
  field,
  value,
  put,
}: {
  field: DraftField
  value: DeviceDraft[DraftField['key']]
  put: (change: Partial<DeviceDraft>) => void
}) {
  const label = draftFieldWords(field)
  if (field.takes === 'number')
    return (
      <NumberField
        label={label}
        placeholder={field.unsaid ? 'not on the plate' : ''}
        value={field.unsaid && value === 0 ? undefined : Number(value)}
        least={field.least}
        most={field.most}
        unit={field.unit}
        onValue={(n) => (n !== null || field.unsaid) && put({ [field.key]: n ?? 0 })}
      />
    )
  if (field.takes === 'yesNo')
    return (
      <SelectField
        label={label}
        value={String(value)}
        options={[
          ['true', 'yes'],
          ['false', 'no'],
        ]}
        onValue={(v) => put({ [field.key]: v === 'true' })}
      />
    )
  return (
    <SelectField
      label={label}
      value={String(value)}
      options={field.options.map((o) => [o, draftOptionWords(o)])}
      onValue={(v) => put({ [field.key]: v })}
    />
  )
}
