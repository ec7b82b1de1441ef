import { nth } from '@/core/assert'
import type { Situation } from '@/core/situation'
import type { Installation } from '@/core/installation'
import { modeWords } from '@/words'

/** How many modes are away from normal, in words for a button. */
export function modesSummary(inst: Installation, s: Situation): string {
  const away = Object.entries(s.modes)
  if (!away.length) return s.after ? 'Normal, as it came' : 'All normal'
  if (away.length === 1) return modeWords(inst, nth(away, 0)[0], nth(away, 0)[1])
  return `${away.length} not normal`
}
