import type { StateRule } from './rule'

/** Contacts and coils settle in every state; a circuit that has no solution is another thing. */
export const noChatter: StateRule<'noChatter', 'chatter' | 'unsolved'> = {
  id: 'noChatter',
  scope: 'state',
  severity: 'danger',
  codes: ['chatter', 'unsolved'],
  applies: () => true,
  each({ inst, facts }) {
    if (facts.settled) return null
    if (facts.singular) return { at: inst.placed[0]?.ref ?? '', code: 'unsolved' }
    return { at: facts.cycle[0] ?? '', code: 'chatter' }
  },
}
