import { expose } from 'comlink'
import { prove, type Finding } from '@/core/laws'
import { mendsTowardPlan } from '@/core/plan'
import { Unpacker, type Parcel } from './parcel'

const unpacker = new Unpacker()

/** What runs off the main thread: the sweep, and the search for the smallest mend. */
const work = {
  prove(parcel: Parcel) {
    const inst = unpacker.unpack(parcel)
    const began = performance.now()
    const proof = prove(inst)
    performance.measure('prove', { start: began })
    return proof
  },
  mends: (parcel: Parcel, finding: Finding) => mendsTowardPlan(unpacker.unpack(parcel), finding),
}
export type ProofWork = typeof work

expose(work)
