'use client'

import type { Schools } from '@/core/plan'
import { Choice } from '@/ui'

const OPTIONS: { [K in keyof Schools]: { label: string; options: [Schools[K], string][] } } = {
  defrost: {
    label: 'Defrost',
    options: [
      ['tempered', 'Tempered: strips on during defrost'],
      ['cold', 'Cold: strips stay off'],
    ],
  },
  emergency: {
    label: 'Emergency heat, with one aux path',
    options: [
      ['setting', 'The thermostat drives AUX with E'],
      ['jumper', 'A jumper from AUX to E'],
    ],
  },
  fuel: {
    label: 'Heat pump or furnace, decided by',
    options: [
      ['thermostat', 'The thermostat, by outdoor temperature'],
      ['kit', 'A fossil fuel kit'],
      ['stage', 'Stages, with an interlock relay'],
    ],
  },
}

/** Where good practitioners differ: the technician's own school. */
export function SchoolPicker({ schools, onChange }: { schools: Schools; onChange: (next: Schools) => void }) {
  return (Object.keys(OPTIONS) as (keyof Schools)[]).map((key) => (
    <Choice
      key={key}
      label={OPTIONS[key].label}
      value={schools[key]}
      options={OPTIONS[key].options}
      onValue={(value) => onChange({ ...schools, [key]: value })}
    />
  ))
}
