import { emergencyHeat } from './emergencyHeat'
import type { Law } from './law'
import { noChatter } from './noChatter'
import { noShort } from './noShort'
import { rowsReachable } from './rowsReachable'
import { stripsNeedBlower } from './stripsNeedBlower'
import { valveRight } from './valveRight'

/** Every law, the gravest first. A law without a fixture that breaks it fails the test suite. */
export const LAWS: readonly Law[] = [
  noShort,
  noChatter,
  stripsNeedBlower,
  emergencyHeat,
  valveRight,
  rowsReachable,
]
