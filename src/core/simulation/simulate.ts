import type { Circuit } from '../circuit'
import { whenLeaves } from '../equipment'
import { placedByRef, splitRef, type Installation, type JobSeen } from '../installation'
import { memoriesAt, type Situation } from '../situation'
import { runTime, type Move, type OutsideEvent, type Step, type Trace } from '../time'
import { Home, type Air, type Sample } from './home'
import { Machine } from './machine'
import type { SiteFault } from './siteFault'
import type { Sums } from './sums'
import { Thermostat, type System, type WallEvent } from './thermostat'

/** What is run: a job, a stretch of weather, what people do, from a room as it stands. */
export interface SimulationInput {
  air: Air
  /** s. */
  until: number
  setpointF: number
  roomF: number
  system: System
  wall: readonly WallEvent[]
  /** What happens to the equipment: a breaker, a fault. */
  events: readonly OutsideEvent[]
  /** Modes that stand from the beginning: what is stuck, what is held. */
  modes?: Situation['modes']
  frostLb?: number
  /** What is wrong outdoors that no contact shows. */
  fault?: SiteFault | null
  /** Steps are so many times shorter than usual: what a sum hangs on them by. */
  finer?: number
  /** An early start does without backup. */
  holdsBackup?: boolean
  /** s between samples of a tape; 0: no tape is kept, only sums. */
  sampleEvery: number
}

export interface Simulation {
  steps: Step[]
  samples: Sample[]
  sums: Sums
  ended: Trace['ended']
  /** Delays whose setting nobody knows. */
  untimed: Trace['untimed']
  /** BTU that house and duct hold more at the end than at the beginning. */
  heldBtu: number
}

/**
 * Runs a job through time in its house and weather. Between two events the circuit stands as the solver finds it, duct, room
 * and walls go by their exact exponentials, and frost by a step of at most a minute. The same input gives the same trace.
 */
export function simulate(
  circuit: Circuit,
  seen: JobSeen,
  input: SimulationInput,
  machine = new Machine(circuit, seen),
): Simulation {
  const thermostat = new Thermostat(seen.inst, input.wall, {
    setpointF: input.setpointF,
    system: input.system,
    holdsBackup: input.holdsBackup ?? false,
  })
  const home = new Home(
    seen,
    machine,
    thermostat,
    input.air,
    input,
    input.sampleEvery,
    input.finer,
    input.fault ?? null,
  )
  const held = home.heldBtu()
  const first = home.sampleAt(0)
  const steps: Step[] = []
  const keeps = input.sampleEvery > 0
  const trace = runTime(circuit, {
    start: {
      call: 'off',
      outdoorF: home.outdoorF(),
      // A switch inside its differential at the beginning: it has been warmer, as before every cold spell.
      modes: {
        ...Object.fromEntries(memoriesAt(seen.inst, home.outdoorF()).map((ref) => [ref, 'broken'])),
        ...input.modes,
      },
    },
    events: input.events,
    until: input.until,
    world: home,
    onStep: (step) => {
      for (const move of step.moves) countDefrosts(home.sums, seen.inst, move)
      if (keeps) steps.push(step)
    },
  })
  return {
    steps,
    samples: keeps ? [first, ...home.samples] : [],
    sums: home.sums,
    ended: trace.ended,
    untimed: trace.untimed,
    heldBtu: home.heldBtu() - held,
  }
}

/** A defrost begins with its board's mode, and ends by temperature or by the board's own time. */
function countDefrosts(sums: Sums, inst: Installation, move: Move): void {
  if (move.kind !== 'mode') return
  const { placed, id } = splitRef(move.ref)
  const mode = placedByRef(inst, placed)?.device.modes.find((m) => m.id === id)
  const means = (state: string) => mode?.states.find((s) => s.id === state)?.condition
  if (means(move.to) === 'defrost') sums.defrosts++
  const { when } = move.transition
  const felt = when !== undefined && whenLeaves(when).some((l) => 'feels' in l)
  if (means(move.from) === 'defrost' && !felt) sums.defrostsByTime++
}
