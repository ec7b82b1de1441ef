import type { Ref } from '@/core/installation'
import type { Reading, TestCard } from '@/core/startup'

/**
 * Taken in the state that a card is about. The outdoor temperature is left out: a reading of another day is of the same
 * thing; so are the differentials' memories, which come and go with it.
 */
export const sameState = (r: Reading, card: TestCard): boolean =>
  r.situation.call === card.situation.call &&
  told(r.situation.modes) === told(card.situation.modes) &&
  JSON.stringify(r.moved ?? []) === JSON.stringify(card.moved)

const told = (modes: Reading['situation']['modes']): string =>
  Object.entries(modes)
    .filter(([, state]) => state !== 'made' && state !== 'broken')
    .map(([ref, state]) => `${ref}=${state}`)
    .sort()
    .join()

/** Taken on a card, whatever stood otherwise beside: nothing that was read is out of sight. */
export const belongsTo = (r: Reading, card: TestCard): boolean =>
  r.situation.call === card.situation.call &&
  Object.entries(card.situation.modes).every(([ref, state]) => r.situation.modes[ref as Ref] === state) &&
  JSON.stringify(r.moved ?? []) === JSON.stringify(card.moved)
