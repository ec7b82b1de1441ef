/** What a mode's state is, in words that laws understand. */
export type ModeCondition =
  | 'defrost' | 'lockout' | 'waiting' | 'tripped' | 'off' | 'failed' | 'hotCoil' | 'warmCoil' | 'leak' | 'water'
  | 'noGas' | 'held' | 'heating' | 'feedLost' | 'wetPan' // prettier-ignore
