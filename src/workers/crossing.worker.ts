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
import { withSettings, type SettingChange } from '@/core/installation'
import type { Finding } from '@/core/rules'
import { seenOpener, type SeenRest } from './openSeen'
import type { WorkerPayload } from './payload'

/** The year's result for a lockout that is being dragged. */
export interface GatePreview {
  sharing: Sharing
  year: Year | null
  lacksKw: number | null
  /** Findings that the change would add. */
  raised: Finding[]
}

const opened = seenOpener()

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
