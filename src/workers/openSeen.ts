import { Analysis } from '@/core/analysis'
import type { Circuit } from '@/core/circuit'
import type { JobSeen } from '@/core/installation'
import { Unpacker, type WorkerPayload } from './payload'

/** A job without its wiring, which travels by itself. */
export type SeenRest = Omit<JobSeen, 'inst'>

/** Opens what a worker is sent: the job, and its circuit, which is laid out once for one wiring. */
export function seenOpener(): (
  payload: WorkerPayload,
  rest: SeenRest,
) => { seen: JobSeen; circuit: Circuit } {
  const unpacker = new Unpacker()
  let last: Analysis | null = null
  return (payload, rest) => {
    const inst = unpacker.unpack(payload)
    last = last?.next(inst) ?? new Analysis(inst)
    return { seen: { ...rest, inst }, circuit: last.circuit }
  }
}
