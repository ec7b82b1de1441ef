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

/** What stands otherwise, and what putting it back is called. */
export function temporaryWords(inst: Installation, t: Temporary): { stands: string; back: string } {
  if (t.kind)
    return {
      stands: `For a test only: ${TEMPORARY_WORDS[t.kind].toLowerCase()}, ${t.what ?? ''}.`,
      back: 'It is as it was',
    }
  const was = valueAtText(inst, t.at, t.was)
  return {
    stands: `For a test only: ${refWords(inst, t.at)} at ${valueAtText(inst, t.at, t.now)}, was ${was}${t.why ? `, ${t.why}` : ''}.`,
    back: `Put back to ${was}`,
  }
}
