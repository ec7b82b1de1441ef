import { leaves, type Call, type ContactPart, type ModeCondition } from '../equipment'
import { solutionOf, type Circuit } from '../circuit'
import { gateChain } from '../explain'
import { isRef, makeRef, type Placed, type Ref } from '../installation'
import { conditionsOf, modesOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { runTime } from './run'
import type { Move, OutsideEvent, Step, Trace } from './trace'

/** Cause of a load's delay: a mode's state that had to pass, or a contact that follows slowly. */
export type DelayCause = (
  | { kind: 'mode'; ref: Ref; state: string; seconds: number }
  | { kind: 'contact'; ref: Ref; closes: boolean; seconds: number }
) & {
  /** It ran at the same time as the one before it in the list: the two are not added. */
  beside?: true
}

/** A load that comes on, or goes off, some time after a call. */
export interface Wait {
  load: Ref
  on: boolean
  /** s after the call. */
  seconds: number
  delays: DelayCause[]
}

/** Events in the seconds after a call. */
export interface CallWaits {
  call: Call
  waits: Wait[]
  /** s until the last of them has moved. */
  steady: number
  /** Delays whose setting nobody knows. */
  untimed: Ref[]
  ended: Trace['ended']
}

/** Earlier calls, first to last, each with its length. */
export type Past = readonly { call: Call; seconds: number }[]

/** s for which what follows a call is looked at: longer than any timer of a board. */
const LOOK = 3600

/**
 * How long one waits for what a call brings, and why: the circuit run through time from the past that is named. At the
 * outdoor temperature and with the failures of `at`; what is due only when air or a coil has warmed is not foretold.
 */
export function waitsFor(circuit: Circuit, call: Call, at: Situation, past: Past = []): CallWaits {
  const events: OutsideEvent[] = []
  let now = 0
  for (const [i, p] of past.entries()) {
    if (i > 0) events.push({ at: now, call: p.call })
    now += p.seconds
  }
  const begin = past[0]?.call ?? 'off'
  // A part that has failed failed before, a breaker was off before; what the call itself meets (a defrost, a full pan) begins with it.
  const { standing, begins } = now > 0 ? split(circuit, at) : { standing: at.modes, begins: [] }
  const trace = runTime(circuit, {
    start: { call: begin, outdoorF: at.outdoorF, modes: standing },
    events: [...events, { at: now, call }, ...begins.map((b) => ({ at: now, ...b }))],
    until: now + LOOK,
    feels: (_, what, situation) => (what === 'enteringAir' ? enteringAirF(circuit, situation) : null),
  })
  const steps = trace.steps.filter((s) => s.at >= now && s.moves.length > 0)
  const last = steps[steps.length - 1]
  const waits = last ? waitsIn(circuit, steps, last, now) : []
  return {
    call,
    waits,
    steady: Math.max(0, ...waits.map((w) => w.seconds)),
    untimed: trace.untimed,
    ended: trace.ended,
  }
}

/**
 * °F of the air that enters the coil, where no house is simulated: what the furnace's own states say of it. They stand for
 * above 105 °F, for 95 to 105 °F and for room air.
 */
function enteringAirF({ inst }: Circuit, situation: Situation): number {
  const are = conditionsOf(inst, situation)
  return are.has('hotCoil') ? 110 : are.has('warmCoil') ? 100 : 70
}

/** The modes of a situation: those that stood before the call, and those that come with it. */
function split({ inst }: Circuit, { modes }: Situation) {
  const moving = new Set(
    modesOf(inst).flatMap(({ ref, mode }) =>
      mode.states.some((s) => s.id === modes[ref] && (s.reach === 'failure' || s.reach === 'always'))
        ? []
        : [ref],
    ),
  )
  const begins = Object.entries(modes).flatMap(([mode, state]) =>
    isRef(mode) && moving.has(mode) ? [{ mode, state }] : [],
  )
  const ongoing = Object.fromEntries(
    Object.entries(modes).filter(([mode]) => !begins.some((b) => b.mode === mode)),
  )
  return { standing: ongoing, begins }
}

function waitsIn(circuit: Circuit, steps: readonly Step[], last: Step, from: number): Wait[] {
  const found: Wait[] = []
  for (const [i, step] of steps.entries())
    for (const m of step.moves) {
      if (m.kind !== 'load' || m.on !== last.running.includes(m.ref)) continue
      const at = found.findIndex((w) => w.load === m.ref)
      // A load that comes and goes counts by its last change.
      if (at >= 0) found.splice(at, 1)
      // For a load that goes off, the path on which it ran says what delayed it.
      const seen = m.on ? step : (steps[i - 1] ?? step)
      const seconds = step.at - from
      found.push({
        load: m.ref,
        on: m.on,
        seconds,
        delays: delayCauses(circuit, seen, m.ref, steps, step.at, from),
      })
    }
  return found
}

/**
 * Delays up to the instant at which a load changed, first to last: the timer that ended then, on the load's own path
 * where there is one; then the timer that ended when that one began, and so on back to the call.
 */
function delayCauses(
  circuit: Circuit,
  seen: Step,
  load: Ref,
  steps: readonly Step[],
  at: number,
  from: number,
): DelayCause[] {
  if (at - from < tolerances.sameInstant) return []
  const moved = (steps.find((s) => s.at === at)?.moves ?? []).filter(hasWaited)
  const chain = gateChain(solutionOf(circuit, seen.situation, seen.state), load)
  const onWay = new Set<Ref>([...chain.gates.map((g) => g.at), ...chain.route])
  const watched = circuit.net.contacts
    .filter((c) => onWay.has(c.ref))
    .flatMap((c) => modesWatched(circuit, c.placed, c.part))
  const own = moved.filter((m) => (m.kind === 'contact' ? onWay.has(m.ref) : watched.includes(m.ref)))
  const these = own.length ? own : moved
  const held = these.map((m, i): DelayCause => ({
    ...(m.kind === 'contact'
      ? { kind: 'contact', ref: m.ref, closes: m.closes, seconds: m.waited }
      : { kind: 'mode', ref: m.ref, state: m.from, seconds: m.waited }),
    ...(i > 0 ? { beside: true } : {}),
  }))
  const [first] = these
  return first ? [...delayCauses(circuit, seen, load, steps, at - first.waited, from), ...held] : held
}

type Waited = Extract<Move, { kind: 'contact' | 'mode' }>
const hasWaited = (m: Move): m is Waited => (m.kind === 'contact' || m.kind === 'mode') && m.waited > 0

/** The modes that a contact's driver looks at: its own device's by name, any device's by what they mean. */
function modesWatched(circuit: Circuit, placed: Placed, part: ContactPart): Ref[] {
  const conditions = new Set<ModeCondition>()
  const own: Ref[] = []
  for (const leaf of leaves(part.driver)) {
    if ('mode' in leaf) own.push(makeRef(placed.ref, leaf.mode))
    else if ('condition' in leaf) conditions.add(leaf.condition)
  }
  if (!conditions.size) return own
  const felt = modesOf(circuit.inst).flatMap(({ ref, mode }) =>
    mode.states.some((s) => s.condition && conditions.has(s.condition)) ? [ref] : [],
  )
  return [...own, ...felt]
}
