import { expose } from 'comlink'
import { prove, type Finding } from '@/core/rules'
import { fixesFromPlan } from '@/core/plan'
import { Unpacker, type WorkerPayload } from './payload'

const unpacker = new Unpacker()

/** What runs off the main thread: the sweep, and the search for the smallest mend. */
const work = {
  prove(payload: WorkerPayload) {
    const inst = unpacker.unpack(payload)
    const began = performance.now()
    const proof = prove(inst)
    performance.measure('prove', { start: began })
    return proof
  },
  fixes: (payload: WorkerPayload, finding: Finding) => fixesFromPlan(unpacker.unpack(payload), finding),
}
export type ProofWork = typeof work

expose(work)
