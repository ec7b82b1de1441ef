'use client'

import { useMemo } from 'react'
import type { Installation } from '@/core/installation'
import { SCHOOLS, schoolsFor, schoolsThatMatter, type Schools } from '@/core/plan'
import { Choice } from '@/ui'

const LABELS: { [K in keyof Schools]: string } = {
  defrost: 'Defrost',
  emergency: 'Emergency heat, with one aux path',
  fuel: 'Heat pump or furnace, decided by',
}
const CHOICES: { [K in keyof Schools]: { [C in Schools[K]]: string } } = {
  defrost: { tempered: 'Tempered: strips on during defrost', cold: 'Cold: strips stay off' },
  emergency: { setting: 'The thermostat drives AUX with E', jumper: 'A jumper from AUX to E' },
  fuel: {
    thermostat: 'The thermostat, by outdoor temperature',
    kit: 'A fossil fuel kit',
    stage: 'Stages, with an interlock relay',
  },
}

/** Where good practitioners differ: the technician's own school, of those that this gear leaves open. */
export function SchoolPicker({
  inst,
  chosen,
  onChange,
}: {
  inst: Installation
  chosen: Partial<Schools>
  onChange: (chosen: Partial<Schools>) => void
}) {
  const schools = useMemo(() => schoolsFor(inst, chosen), [inst, chosen])
  const open = useMemo(() => schoolsThatMatter(inst, schools), [inst, schools])
  return open.map((key) => {
    const words: Record<string, string> = CHOICES[key]
    return (
      <Choice
        key={key}
        label={LABELS[key]}
        value={schools[key]}
        options={SCHOOLS[key].map((choice) => [choice, words[choice]!])}
        onValue={(value) => onChange({ ...chosen, [key]: value })}
      />
    )
  })
}
