import type { Ref } from '../installation'
import type { Situation } from '../situation'
import type { CountCurve, Move, Trace } from '../time'
import type { Sample } from './input'
import type { Simulation } from './simulate'
import type { Sums } from './sums'

/** An instant of a tape at which something moved, as plain data. */
export interface TapeStep {
  /** s. */
  at: number
  moves: Move[]
  situation: Situation
  /** 1 where a contact stood closed from then on: what is slow to follow stands as it did. */
  closed: Uint8Array
  /** 2 where a coil was in: one that holds on weak volts holds here too. */
  coils: Uint8Array
  running: Ref[]
}

/** A scene as it ran, for who draws it. */
export interface Tape {
  until: number
  steps: TapeStep[]
  samples: Sample[]
  sums: Sums
  ended: Trace['ended']
  untimed: Ref[]
  counts: CountCurve[]
}

export const tapeOf = (run: Simulation, until: number): Tape => ({
  until,
  steps: run.steps.map(({ at, moves, situation, state, running }) => ({
    at,
    moves,
    situation,
    closed: state.closed,
    coils: state.coils,
    running,
  })),
  samples: run.samples,
  sums: run.sums,
  ended: run.ended,
  untimed: run.untimed,
  counts: run.counts,
})

/** The step that stands at a second: the last that is not after it. */
export function stepAt(tape: Tape, at: number): TapeStep | undefined {
  let found: TapeStep | undefined
  for (const step of tape.steps) {
    if (step.at > at + 1e-6) break
    found = step
  }
  return found
}

/** Sensed temperatures at a second, in straight lines between the samples. */
export function sampleAt(tape: Tape, at: number): Sample | undefined {
  const right = tape.samples.findIndex((s) => s.at >= at)
  if (right < 0) return tape.samples[tape.samples.length - 1]
  const [a, b] = [tape.samples[Math.max(0, right - 1)], tape.samples[right]]
  if (!a || !b || b.at === a.at) return b
  const share = (at - a.at) / (b.at - a.at)
  const mix = (x: number, y: number) => x + (y - x) * share
  return {
    at,
    roomF: mix(a.roomF, b.roomF),
    targetF: b.targetF,
    outdoorF: mix(a.outdoorF, b.outdoorF),
    coilF: mix(a.coilF, b.coilF),
    supplyF: mix(a.supplyF, b.supplyF),
    frostLb: mix(a.frostLb, b.frostLb),
  }
}

/** Stretches, s, in which a load ran. */
export function stretchesOf(tape: Tape, load: Ref): [number, number][] {
  const found: [number, number][] = []
  let since: number | null = null
  for (const step of tape.steps) {
    const on = step.running.includes(load)
    if (on && since === null) since = step.at
    if (!on && since !== null) {
      found.push([since, step.at])
      since = null
    }
  }
  if (since !== null) found.push([since, tape.until])
  return found
}

/** A running timer at a second, with s until it ends. */
export interface Waiting {
  ref: Ref
  kind: 'mode' | 'contact'
  /** The state that it stands in, of a mode. */
  state: string
  left: number
}

/** Timers that run at a second, the first to end first. A timer that led to a later change comes before the others. */
export function waitingAt(tape: Tape, at: number): Waiting[] {
  const found = new Map<Ref, Waiting>()
  for (const step of tape.steps) {
    if (step.at <= at + 1e-6) continue
    for (const m of step.moves) {
      if ((m.kind !== 'mode' && m.kind !== 'contact') || m.waited <= 0 || found.has(m.ref)) continue
      // An interval that adds up over many runs is no timer that somebody waits for.
      if (m.kind === 'mode' && m.transition.accumulates) continue
      if (step.at - m.waited > at + 1e-6) continue
      found.set(m.ref, {
        ref: m.ref,
        kind: m.kind,
        state: m.kind === 'mode' ? m.from : m.closes ? 'open' : 'closed',
        left: step.at - at,
      })
    }
  }
  return [...found.values()].sort((a, b) => a.left - b.left)
}
