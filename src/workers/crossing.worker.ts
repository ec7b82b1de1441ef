import { expose } from 'comlink'
import { Circuit } from '@/core/circuit'
import {
  crossingOf,
  crossingView,
  newFindings,
  sharingOf,
  type CrossingView,
  type Sharing,
  type Year,
} from '@/core/crossing'
import { type JobSeen, withSettings, type SettingChange } from '@/core/installation'
import type { Finding } from '@/core/rules'
import { Unpacker, type WorkerPayload } from './payload'

/** A job without its wiring, which travels by itself. */
export type SeenRest = Omit<JobSeen, 'inst'>

/** What a gate that is being dragged would come to. */
export interface GatePreview {
  sharing: Sharing
  year: Year | null
  lacksKw: number | null
  /** What the change would raise that stands not already. */
  raised: Finding[]
}

const unpacker = new Unpacker()
let last: Circuit | null = null

function opened(payload: WorkerPayload, rest: SeenRest): { seen: JobSeen; circuit: Circuit } {
  const inst = unpacker.unpack(payload)
  const before = last
  last = before?.inst === inst ? before : new Circuit(inst, before ?? undefined)
  return { seen: { ...rest, inst }, circuit: last }
}

/** Crossing's arithmetic, off the main thread. */
const work = {
  view(payload: WorkerPayload, rest: SeenRest): CrossingView {
    const { seen, circuit } = opened(payload, rest)
    return crossingView(seen, circuit)
  },
  preview(payload: WorkerPayload, rest: SeenRest, changes: SettingChange[]): GatePreview {
    const { seen, circuit } = opened(payload, rest)
    const inst = withSettings(seen.inst, changes)
    const moved = new Circuit(inst, circuit)
    const sharing = sharingOf(moved)
    const crossing = crossingOf({ ...seen, inst }, moved, sharing)
    return {
      sharing,
      year: crossing.year,
      lacksKw: crossing.design?.lacksKw ?? null,
      raised: newFindings(seen)(inst),
    }
  },
}
export type CrossingWork = typeof work

expose(work)
