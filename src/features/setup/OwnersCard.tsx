'use client'

import { expressedIn, INTENT_GROUPS, INTENTS_BY_GROUP } from '@/core/setup'
import { Button, downloadFile } from '@/ui'
import { ownerSentence } from '@/words'
import { useJobScreen } from '../session'

/** What the settings mean to those who live there, in plain words. */
export function OwnersCard() {
  const { inst, job } = useJobScreen()
  const lines = INTENT_GROUPS.flatMap((g) =>
    INTENTS_BY_GROUP[g].flatMap((intent) => {
      const [e] = expressedIn(inst, intent)
      if (!e || !applies(inst, intent)) return []
      const text = ownerSentence(intent, e.setting, e.value)
      return text ? [{ at: e.at, text }] : []
    }),
  )
  const reminders = async () => {
    // Who looks at the card does not wait for what writes calendars.
    const { calendarOf, remindersOf } = await import('@/words')
    const { id, title, site } = job
    const text = calendarOf({ id, title, owner: site.owner }, remindersOf(inst), new Date())
    downloadFile(`${id}-reminders.ics`, 'text/calendar', text)
  }
  return (
    <section
      data-testid="owners-card"
      aria-label="Owner’s card"
      className="max-w-2xl border-2 border-ink bg-raised p-5"
    >
      <h2 className="text-xl font-bold">How your heating is set</h2>
      <p className="text-soft">
        {job.site.owner}. {job.title}
      </p>
      <ul className="mt-3 space-y-2 text-[17px]">
        {lines.map((l) => (
          <li key={l.at}>{l.text}</li>
        ))}
        <li>
          Emergency heat is for a heat pump that has failed: it heats with the backup alone, and costs more.
          Call us when you need it.
        </li>
      </ul>
      <div className="no-print mt-4 flex flex-wrap gap-3">
        <Button onClick={() => window.print()}>Print the card</Button>
        <Button onClick={() => void reminders()}>Reminders for their calendar</Button>
      </div>
    </section>
  )
}

/** A lockout's temperature says nothing while the lockout is off. */
function applies(inst: Parameters<typeof expressedIn>[0], intent: string): boolean {
  const is = (i: 'useCompressorLockout' | 'useAuxLockout' | 'system', value: string) =>
    expressedIn(inst, i).every((e) => e.value === value)
  if (intent === 'compressorLockout') return is('useCompressorLockout', 'on')
  if (intent === 'auxLockout') return is('useAuxLockout', 'on')
  return intent !== 'changeover' || is('system', 'dualFuel')
}
