import type { Installation } from '@/core/installation'
import { placedByRef, splitRef } from '@/core/installation'
import type { Situation } from '@/core/situation'
import { CALL_WORDS, lower } from './names'
import { degrees } from './numbers'

/** The state of one mode in words: "Outdoor board: defrosting"; a differential's memory says what it did last. */
export function modeWords(inst: Installation, ref: string, state: string): string {
  const { placed: p, id } = splitRef(ref)
  const placed = placedByRef(inst, p)
  if (id.startsWith('band:'))
    return `${placed?.label ?? p}: ${state === 'made' ? 'closed before' : 'open before'}`
  const mode = placed?.device.modes.find((m) => m.id === id)
  const found = mode?.states.find((s) => s.id === state)
  return `${mode?.label ?? id}${mode?.label === 'Breaker' ? `, ${lower(placed?.label ?? '')}` : ''}: ${lower(found?.label ?? state)}`
}

/** "Emergency heat at 45 °F, everything normal"; with what came before, where that matters: ", after heating …". */
export function situationWords(inst: Installation, s: Situation): string {
  const modes = Object.entries(s.modes).map(([ref, state]) => modeWords(inst, ref, state))
  const now = `${CALL_WORDS[s.call]} at ${degrees(s.outdoorF)}, ${modes.length ? modes.join('; ') : 'everything normal'}`
  return s.after ? `${now}, after ${lower(situationWords(inst, s.after))}` : now
}
