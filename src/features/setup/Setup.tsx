'use client'

import { useState } from 'react'
import { Button } from '@/ui'
import { useJobScreen } from '../session'
import { Conflicts } from './Conflicts'
import { Intents } from './Intents'
import { Interview } from './Interview'
import { KeyIn } from './KeyIn'
import { OwnersCard } from './OwnersCard'
import { Temporary } from './Temporary'
import { Visits } from './Visits'

const TABS = [
  { id: 'keys', label: 'Key in', show: KeyIn },
  { id: 'intents', label: 'Intents', show: Intents },
  { id: 'interview', label: 'Interview', show: Interview },
  { id: 'visits', label: 'Visits', show: Visits },
  { id: 'card', label: 'Owner’s card', show: OwnersCard },
] as const

/** From what the owner wants to what is keyed in. The contradictions first, then the work. */
export function Setup() {
  const { job } = useJobScreen()
  const [open, setOpen] = useState<(typeof TABS)[number]['id']>('keys')
  const conflicts = useJobScreen().conflicts
  const pending = job.setup.temporary.filter((t) => !t.back)
  const Tab = (TABS.find((t) => t.id === open) ?? TABS[0]).show
  return (
    <div className="max-w-5xl pb-10">
      <p
        data-testid="setup-answer"
        className={conflicts.length ? 'text-lg font-bold text-harm' : 'text-lg font-bold'}
      >
        {conflicts.length === 0
          ? 'Gear, wiring and settings do not contradict each other.'
          : conflicts.length === 1
            ? 'One contradiction between gear, wiring and settings.'
            : `${conflicts.length} contradictions between gear, wiring and settings.`}
      </p>
      <Conflicts conflicts={conflicts} />
      <Temporary pending={pending} />
      <div role="group" aria-label="Parts of the setup" className="mt-3 mb-4 flex flex-wrap gap-2">
        {TABS.map((t) => (
          <Button
            key={t.id}
            look={open === t.id ? 'strong' : 'plain'}
            aria-pressed={open === t.id}
            onClick={() => setOpen(t.id)}
          >
            {t.label}
          </Button>
        ))}
      </div>
      <Tab />
    </div>
  )
}
