'use client'

import { unknownSettings } from '@/core/query'
import { TabSet } from '@/ui'
import { conflictsSentence } from '@/words'
import { OwnersPaper } from '../papers'
import { useConflicts, useJobScreen } from '../session'
import { Conflicts } from './Conflicts'
import { Intents } from './Intents'
import { Interview } from './Interview'
import { KeyIn } from './KeyIn'
import { Visits } from './Visits'

/** From what the owner wants to what is keyed in. The contradictions first, then the work. */
export function Setup() {
  const { inst } = useJobScreen()
  const conflicts = useConflicts()
  return (
    <div className="max-w-5xl pb-10">
      <p
        data-testid="setup-answer"
        className={conflicts.length ? 'text-lg font-bold text-harm' : 'text-lg font-bold'}
      >
        {conflictsSentence(conflicts.length, unknownSettings(inst).length)}
      </p>
      <Conflicts conflicts={conflicts} />
      <TabSet
        label="Parts of the setup"
        tabs={[
          { id: 'keys', label: 'Key in', content: <KeyIn /> },
          { id: 'intents', label: 'Intents', content: <Intents conflicts={conflicts} /> },
          { id: 'interview', label: 'Interview', content: <Interview /> },
          { id: 'visits', label: 'Visits', content: <Visits /> },
          { id: 'card', label: 'Owner’s card', content: <OwnersPaper /> },
        ]}
      />
    </div>
  )
}
