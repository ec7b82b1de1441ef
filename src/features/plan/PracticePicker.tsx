'use client'

import { useMemo } from 'react'
import type { Installation } from '@/core/installation'
import { WIRING_PRACTICES, practiceFor, openPractices, type WiringPractice } from '@/core/plan'
import { SelectField } from '@/ui'

const LABELS: { [K in keyof WiringPractice]: string } = {
  defrost: 'Defrost',
  emergency: 'Emergency heat, with one aux path',
  fuel: 'Heat pump or furnace, decided by',
}
const CHOICES: { [K in keyof WiringPractice]: { [C in WiringPractice[K]]: string } } = {
  defrost: { tempered: 'Tempered: strips on during defrost', cold: 'Cold: strips stay off' },
  emergency: { setting: 'The thermostat drives AUX with E', jumper: 'A jumper from AUX to E' },
  fuel: {
    thermostat: 'The thermostat, by outdoor temperature',
    kit: 'A fossil fuel kit',
    stage: 'Stages, with an interlock relay',
  },
}

/** Wiring practices that this equipment leaves open, for the technician to choose. */
export function PracticePicker({
  inst,
  chosen,
  onChange,
}: {
  inst: Installation
  chosen: Partial<WiringPractice>
  onChange: (chosen: Partial<WiringPractice>) => void
}) {
  const practice = useMemo(() => practiceFor(inst, chosen), [inst, chosen])
  const open = useMemo(() => openPractices(inst, practice), [inst, practice])
  return open.map((key) => {
    const words: Record<string, string> = CHOICES[key]
    return (
      <SelectField
        key={key}
        label={LABELS[key]}
        value={practice[key]}
        options={WIRING_PRACTICES[key].map((choice) => [choice, words[choice] ?? choice])}
        onValue={(value) => onChange({ ...chosen, [key]: value })}
      />
    )
  })
}
