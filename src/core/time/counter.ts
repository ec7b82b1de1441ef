import { feltLeaves, type Transition, type Truth } from '../equipment'
import type { Settled } from '../circuit'
import type { PlacedMode, Situation } from '../situation'

/** A way out of a state, with its count. */
export interface Counter {
  mode: PlacedMode
  transition: Transition
  /** s counted so far. */
  counted: number
  /** What `when` said last. */
  was: Truth
  /** For those that count from an instant: whether that instant has been. */
  begun: boolean
  /** Whether it hangs on something felt; else what `when` said of the state that it was last asked in. */
  felt: boolean
  saw: Situation | null
  stood: Settled | null
  version: number
  feltNumber: number
  truth: Truth
}

/** Every way out of every mode, nothing counted yet. */
export const countersOf = (modes: readonly PlacedMode[]): Counter[] =>
  modes.flatMap((mode) =>
    (mode.mode.transitions ?? []).map((transition): Counter => ({
      mode,
      transition,
      counted: 0,
      was: 'unknown',
      begun: false,
      felt: feltLeaves(transition.when).length > 0,
      saw: null,
      stood: null,
      version: -1,
      feltNumber: NaN,
      truth: 'unknown',
    })),
  )

/**
 * Whether what a counter's condition said last still stands; what it is asked in is noted. What hangs on air or a coil is another
 * with the number of what is felt; the rest goes by the situation and what stands in it.
 */
export function isFresh(
  c: Counter,
  situation: Situation,
  state: Settled | null,
  version: number,
  felt: number,
): boolean {
  const fresh = c.saw === situation && c.stood === state && c.version === version && c.feltNumber === felt
  c.saw = situation
  c.stood = state
  c.version = version
  c.feltNumber = felt
  return fresh
}
