'use client'

import { Tabs } from 'radix-ui'
import { TAB_LOOK } from '@/ui'
import { OwnersPaper } from '../papers'
import { useConflicts } from '../session'
import { Conflicts } from './Conflicts'
import { Intents } from './Intents'
import { Interview } from './Interview'
import { KeyIn } from './KeyIn'
import { Visits } from './Visits'

const TABS = [
  { id: 'keys', label: 'Key in', show: KeyIn },
  { id: 'intents', label: 'Intents', show: Intents },
  { id: 'interview', label: 'Interview', show: Interview },
  { id: 'visits', label: 'Visits', show: Visits },
  { id: 'card', label: 'Owner’s card', show: OwnersPaper },
] as const

/** From what the owner wants to what is keyed in. The contradictions first, then the work. */
export function Setup() {
  const conflicts = useConflicts()
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
      <Tabs.Root defaultValue="keys">
        <Tabs.List aria-label="Parts of the setup" className="mt-3 mb-4 flex flex-wrap gap-2">
          {TABS.map((t) => (
            <Tabs.Trigger key={t.id} value={t.id} className={TAB_LOOK}>
              {t.label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {TABS.map(({ id, show: Tab }) => (
          <Tabs.Content key={id} value={id}>
            <Tab conflicts={conflicts} />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </div>
  )
}
