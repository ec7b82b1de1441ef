import type { Ref } from '@/core/installation'
import type { Reading, TestCard } from '@/core/startup'

/** Readings taken on a card, with temporary changes or without: none is hidden. */
export const belongsTo = (r: Reading, card: TestCard): boolean =>
  r.situation.call === card.situation.call &&
  Object.entries(card.situation.modes).every(([ref, state]) => r.situation.modes[ref as Ref] === state) &&
  JSON.stringify(r.moved ?? []) === JSON.stringify(card.moved)
