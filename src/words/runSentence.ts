import type { RunSummary } from '@/core/startup'
import { degrees } from './numbers'

/** Progress of a test run, in a sentence for a list. */
export function runSentence({ cards, done, failed, open, waiting, belowF, aboveF }: RunSummary): string {
  if (failed) return `Test run: ${failed} of ${cards} failed`
  if (open) return `Test run: ${done} of ${cards} done`
  if (!waiting) return 'Test run done'
  const when = [
    belowF === null ? '' : `below ${degrees(belowF)}`,
    aboveF === null ? '' : `above ${degrees(aboveF)}`,
  ]
  const said = when.filter(Boolean).join(' and ')
  return `Test run waits for ${said ? `weather ${said}` : 'other weather'}`
}
