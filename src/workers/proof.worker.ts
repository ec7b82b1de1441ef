import { expose } from 'comlink'
import type { Installation } from '@/core/installation'
import { mendsFor, prove, type Finding } from '@/core/laws'

/** What runs off the main thread: the sweep, and the search for the smallest mend. */
const work = {
  prove: (inst: Installation) => prove(inst),
  mends: (inst: Installation, finding: Finding) => mendsFor(inst, finding),
}
export type ProofWork = typeof work

expose(work)
