import { expose } from 'comlink'
import { Circuit } from '@/core/circuit'
import {
  sceneInput,
  simulate,
  pinDays,
  tapeOf,
  wintersAgainst,
  winterOf,
  withVariation,
  worksAgainst,
  type Against,
  type PinDay,
  type Scene,
  type SceneOptions,
  type Variation,
  type Tape,
  type Winter,
} from '@/core/simulation'
import { seenOpener, type SeenRest } from './openSeen'
import type { WorkerPayload } from './payload'

const opened = seenOpener()

/** The winter of a job, what works against what in it, and which defrost interval fits. */
export interface WinterFound {
  winter: Winter | null
  against: Against[]
  pins: PinDay[]
}

/** The job run through time, off the main thread. */
const work = {
  scene(
    payload: WorkerPayload,
    rest: SeenRest,
    scene: Scene,
    options: SceneOptions,
    otherwise: Variation | null,
  ): Tape {
    const { seen, circuit } = opened(payload, rest)
    const { inst, fault } = otherwise ? withVariation(seen.inst, otherwise) : { inst: seen.inst, fault: null }
    const here = { ...seen, inst }
    const input = { ...sceneInput(here, scene, options), fault }
    return tapeOf(simulate(inst === seen.inst ? circuit : new Circuit(inst), here, input), input.until)
  },
  winter(payload: WorkerPayload, rest: SeenRest, onShare: (share: number) => void): WinterFound {
    const { seen, circuit } = opened(payload, rest)
    const winters = 1 + wintersAgainst(seen.inst)
    const winter = winterOf(seen, circuit, { onShare: (share) => onShare(share / winters) })
    const against = worksAgainst(seen, circuit, {
      onShare: (share) => onShare((1 + share * (winters - 1)) / winters),
    })
    return { winter, against, pins: pinDays(seen, circuit)?.days ?? [] }
  },
}
export type TimeWork = typeof work

expose(work)
