import type { Circuit } from '../circuit'
import { feltLeaves } from '../equipment'
import type { Installation, JobSeen, Ref } from '../installation'
import { conditionOf, memoriesAt } from '../situation'
import { runTime, type Move, type OutsideEvent, type Step, type Trace } from '../time'
import { Home } from './home'
import type { HomeInput, Sample } from './input'
import { Machine } from './machine'
import type { Sums } from './sums'
import { Thermostat } from './thermostat'
import type { System, WallEvent } from './wall'

/** Parts of a run after which somebody who waits hears of it. */
const SHARES = 50

/** Input of a run: a job, a stretch of weather, people's actions, the room at its start. */
export interface SimulationInput extends HomeInput {
  /** s. */
  until: number
  setpointF: number
  system: System
  wall: readonly WallEvent[]
  /** Events at the equipment: a breaker, a fault. */
  events: readonly OutsideEvent[]
  /** An early start does without backup. */
  holdsBackup?: boolean
  /** Hears how much of it is run, from 0 to 1, now and then. */
  onShare?: ((share: number) => void) | undefined
}

export interface Simulation {
  steps: Step[]
  samples: Sample[]
  sums: Sums
  ended: Trace['ended']
  /** Delays whose setting nobody knows. */
  untimed: Trace['untimed']
  counts: Trace['counts']
  /** BTU that house and duct hold more at the end than at the beginning. */
  heldBtu: number
}

/**
 * Runs a job through time in its house and weather. Between two events the circuit stands as the solver finds it, duct, room
 * and walls go by their exact exponentials, and frost by steps of minutes. The same input gives the same trace.
 */
export function simulate(circuit: Circuit, seen: JobSeen, input: SimulationInput): Simulation {
  const thermostat = new Thermostat(seen.inst, input.wall, {
    setpointF: input.setpointF,
    system: input.system,
    holdsBackup: input.holdsBackup ?? false,
  })
  const home = new Home(seen, new Machine(circuit, seen), thermostat, input)
  const held = home.heldBtu()
  const first = home.sampleAt(0)
  const steps: Step[] = []
  const keeps = input.sampleEvery > 0
  let told = 0
  const trace = runTime(circuit, {
    start: {
      call: 'off',
      outdoorF: home.outdoorF(),
      // A switch inside its differential at the beginning: it has been warmer, as before every cold spell.
      modes: Object.fromEntries(memoriesAt(seen.inst, home.outdoorF()).map((ref) => [ref, 'broken'])),
    },
    events: input.events,
    until: input.until,
    counts: keeps,
    world: home,
    onStep: (step) => {
      if (input.onShare && step.at >= told + input.until / SHARES) {
        told = step.at
        input.onShare(step.at / input.until)
      }
      for (const move of step.moves) countDefrosts(home.sums, seen.inst, move)
      if (keeps) steps.push(step)
    },
  })
  return {
    steps,
    samples: keeps ? [first, ...home.samples, home.sampleAt(home.sums.hours * 3600)] : [],
    sums: home.sums,
    ended: trace.ended,
    untimed: trace.untimed,
    counts: trace.counts,
    heldBtu: home.heldBtu() - held,
  }
}

/** A defrost begins with its board's mode, and ends by temperature or by the board's own time; or with its power. */
function countDefrosts(sums: Sums, inst: Installation, move: Move): void {
  if (move.kind === 'outside') {
    if ('mode' in move.event && isDefrost(inst, move.event.mode, move.event.state)) sums.defrosts++
    return
  }
  if (move.kind !== 'mode') return
  if (isDefrost(inst, move.ref, move.to)) sums.defrosts++
  const byTime = feltLeaves(move.transition.when).length === 0 && move.waited > 0
  if (isDefrost(inst, move.ref, move.from) && byTime) sums.defrostsByTime++
}

const isDefrost = (inst: Installation, ref: Ref, state: string): boolean =>
  conditionOf(inst, ref, state) === 'defrost'
