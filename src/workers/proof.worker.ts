import { expose } from 'comlink'
import { ProvenAnalysis } from '@/core/analysis'
import type { Finding } from '@/core/rules'
import { Unpacker, type WorkerPayload } from './payload'

const unpacker = new Unpacker()
/** The wiring that was proven last: the next one mostly has the same devices. */
let last: ProvenAnalysis | null = null

/** Work off the main thread: the proof's sweep, and the search for the smallest fix. */
const work = {
  prove(payload: WorkerPayload) {
    const inst = unpacker.unpack(payload)
    const began = performance.now()
    last = last?.next(inst) ?? new ProvenAnalysis(inst)
    const proof = last.prove()
    performance.measure('prove', { start: began })
    return proof
  },
  async fixes(payload: WorkerPayload, finding: Finding) {
    // No proof waits for what only a search needs.
    const { fixesFromPlan } = await import('@/core/plan')
    return fixesFromPlan(unpacker.unpack(payload), finding)
  },
}
export type ProofWork = typeof work

expose(work)
