'use client'

import { ownersCardOf } from '@/papers'
import { Button, downloadFile } from '@/ui'
import { useJobScreen } from '../session'
import { PaperPanel } from './PaperPanel'
import { usePaperInput } from './usePaperInput'

/** The owner's card: what the settings mean to those who live there, what backup costs, and what recurs. */
export function OwnersPaper() {
  const { inst, job } = useJobScreen()
  const input = usePaperInput()
  const reminders = async () => {
    // Who looks at the card does not wait for what writes calendars.
    const { calendarOf, remindersOf } = await import('@/words')
    const { id, title, site } = job
    const text = calendarOf({ id, title, owner: site.owner }, remindersOf(inst), new Date())
    downloadFile(`${id}-reminders.ics`, 'text/calendar', text)
  }
  return (
    <section data-testid="owners-card" aria-label="Owner’s card" className="max-w-2xl">
      <PaperPanel name={`${job.id}-owner`} of={input} make={ownersCardOf}>
        <Button onClick={() => void reminders()}>Reminders for their calendar</Button>
      </PaperPanel>
    </section>
  )
}
