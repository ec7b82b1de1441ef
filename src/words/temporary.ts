import type { Installation } from '@/core/installation'
import type { Temporary, TemporaryKind } from '@/jobfile'
import { refWords } from './names'
import { valueAtText } from './intents'

export const TEMPORARY_WORDS: Record<TemporaryKind, string> = {
  jumper: 'Jumper',
  lead: 'Lifted lead',
  forced: 'Forced mode',
  dial: 'Dial moved',
  panel: 'Open panel',
  breaker: 'Breaker off',
  other: 'Something else',
}

/** A temporary change, the words for putting it back, and the report's words while it is not. */
export function temporaryWords(
  inst: Installation,
  t: Temporary,
): { stands: string; back: string; open: string } {
  if (t.kind) {
    const what = `${TEMPORARY_WORDS[t.kind].toLowerCase()}, ${t.what ?? ''}`
    return {
      stands: `For a test only: ${what}.`,
      back: 'It is as it was',
      open: `Still to be put back: ${what}.`,
    }
  }
  const name = refWords(inst, t.at)
  const was = valueAtText(inst, t.at, t.was)
  return {
    stands: `For a test only: ${name} at ${valueAtText(inst, t.at, t.now)}, was ${was}${t.why ? `, ${t.why}` : ''}.`,
    back: `Put back to ${was}`,
    open: `Still to be put back: ${name} to ${was}.`,
  }
}
