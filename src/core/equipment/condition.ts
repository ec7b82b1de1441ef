/** Conditions that a mode's state can stand for, in words that rules understand. */
export const MODE_CONDITIONS = [
  'defrost', 'lockout', 'waiting', 'tripped', 'off', 'failed', 'hotCoil', 'warmCoil', 'leak', 'water',
  'noGas', 'held', 'heating', 'feedLost', 'wetPan', 'blowerDelay', 'stayedOff',
] as const // prettier-ignore
export type ModeCondition = (typeof MODE_CONDITIONS)[number]
