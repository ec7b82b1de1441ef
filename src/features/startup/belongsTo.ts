import type { Ref } from '@/core/installation'
import type { Reading, TestCard } from '@/core/startup'

/** Taken on a card, whatever stood otherwise beside: nothing that was read is out of sight. */
export const belongsTo = (r: Reading, card: TestCard): boolean =>
  r.situation.call === card.situation.call &&
  Object.entries(card.situation.modes).every(([ref, state]) => r.situation.modes[ref as Ref] === state) &&
  JSON.stringify(r.moved ?? []) === JSON.stringify(card.moved)
