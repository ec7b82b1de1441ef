import type { Law } from './law'

/** Contacts and coils come to rest in every state. */
export const noChatter: Law = {
  id: 'noChatter',
  severity: 'danger',
  applies: () => true,
  each: ({ facts }) => (facts.settled ? null : { at: facts.cycle[0] ?? '', what: 'chatter' }),
}
