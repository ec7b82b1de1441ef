export { BANDED_KINDS, READING_KINDS, READINGS, type BandedKind, type ReadingKind } from './kinds'
export { INSTRUMENTS, type Instrument, type ReadingPlace, type Spot, type Tool } from './row'
export { kindsFor, SPOTS } from './spots'
