import {
  amountOf,
  evaluateWhen,
  normalState,
  type Felt,
  type Transition,
  type Truth,
  type Unknowable,
} from '../equipment'
import type { Circuit, Settled } from '../circuit'
import { makeRef, settingIn, type Placed, type Ref } from '../installation'
import { evalContextOf, memoriesAt, modesOf, stands, type PlacedMode, type Situation } from '../situation'
import { sure } from '../sure'
import { tolerances } from '../tolerances'
import { timedContacts, type TimedContact } from './timedContacts'
import type { Move, OutsideEvent, Step, Trace } from './trace'

/** What is asked of a run. Nothing comes from a clock or by chance: the same input gives the same trace. */
export interface TimeInput {
  /** How it stands at 0 s, for as long as it takes to come to rest. */
  start: Situation
  events: readonly OutsideEvent[]
  /** s at which it ends at the latest. */
  until: number
  /** °F of the air and coils that a device stands in; left out: nobody knows. */
  feels?: (placed: Placed, what: Felt, situation: Situation) => Unknowable<number>
}

/** A way out of a state, with its count. */
interface Counter {
  mode: PlacedMode
  transition: Transition
  /** s counted so far. */
  counted: number
  /** What `when` said last. */
  was: Truth
  /** For those that count from an instant: whether that instant has been. */
  begun: boolean
}

/**
 * Runs a circuit through time: contacts follow their drivers after their own delays, modes go their transitions, and
 * between two instants the circuit stands as the solver finds it from what stood before. The engine of every wait.
 */
export function runTime(circuit: Circuit, input: TimeInput): Trace {
  const run = new Run(circuit, input)
  return run.trace()
}

class Run {
  private now = 0
  private call
  private outdoorF
  /** Every mode's own state, also where it cannot be seen: a timer counts on while nothing is called. */
  private readonly states = new Map<Ref, string>()
  private readonly modes: PlacedMode[]
  private readonly memories: Situation['modes'] = {}
  private readonly contacts: TimedContact[]
  private readonly held: Uint8Array
  private readonly due = new Map<TimedContact, { at: number; since: number }>()
  private readonly counters: Counter[]
  private readonly untimed = new Set<Ref>()
  private readonly events: OutsideEvent[]
  private readonly steps: Step[] = []
  private readonly loadIndex: ReadonlyMap<Ref, number>
  private readonly contactIndex: ReadonlyMap<Ref, number>
  private state: Settled | null = null

  constructor(
    private readonly circuit: Circuit,
    private readonly input: TimeInput,
  ) {
    const { inst, net } = circuit
    this.call = input.start.call
    this.outdoorF = input.start.outdoorF
    this.events = [...input.events].sort((a, b) => a.at - b.at)
    this.loadIndex = new Map(net.loads.map((l, i) => [l.ref, i]))
    this.contactIndex = new Map(net.contacts.map((c, i) => [c.ref, i]))
    this.modes = modesOf(inst)
    for (const { ref, mode } of this.modes) this.states.set(ref, input.start.modes[ref] ?? normalState(mode))
    for (const [ref, last] of Object.entries(input.start.modes))
      if (!this.states.has(ref as Ref)) this.memories[ref as Ref] = last
    this.contacts = timedContacts(circuit, this.untimed)
    this.held = new Uint8Array(net.contacts.length).fill(2)
    this.counters = this.modes.flatMap((mode) =>
      (mode.mode.transitions ?? []).map((transition): Counter => ({ mode, transition, counted: 0, was: 'unknown', begun: false })),
    ) // prettier-ignore
  }

  trace(): Trace {
    const first = this.circuit.settleHeld(this.situation(), this.held, null)
    if (!first.ok) return { steps: [], ended: 'chatter', untimed: [] }
    this.state = first
    for (const c of this.contacts) this.held[c.index] = first.closed[c.index] ? 1 : 0
    for (const c of this.counters) c.was = this.truthOf(c)
    this.note([], this.situation(), first)
    const ended = this.goOn()
    return { steps: this.steps, ended, untimed: [...this.untimed] }
  }

  private goOn(): Trace['ended'] {
    for (let n = 0; n < tolerances.timeSteps; n++) {
      if (!this.settleNow()) return 'chatter'
      const next = this.nextInstant()
      if (next === null) return 'rest'
      if (next > this.input.until) return 'until'
      this.pass(next - this.now)
      this.now = next
    }
    return 'until'
  }

  /** Everything that moves at this instant, until nothing does. */
  private settleNow(): boolean {
    const moves: Move[] = []
    while (this.events[0] && this.events[0].at <= this.now)
      moves.push({ kind: 'outside', event: this.take(sure(this.events.shift(), 'the event that is due')) })
    for (let round = 0; round < tolerances.settleRounds; round++) {
      const situation = this.situation()
      const outcome = this.circuit.settleHeld(situation, this.held, this.state)
      if (!outcome.ok) return false
      this.state = outcome
      const moved = [...this.moveContacts(outcome), ...this.moveModes()]
      if (!moved.length) {
        if (moves.length) this.note(moves, situation, outcome)
        return true
      }
      moves.push(...moved)
    }
    return false
  }

  private take(event: OutsideEvent): OutsideEvent {
    if ('call' in event) this.call = event.call
    else if ('outdoorF' in event) this.weather(event.outdoorF)
    else if (this.states.has(event.mode)) this.states.set(event.mode, event.state)
    else this.memories[event.mode] = event.state
    return event
  }

  /** A switch that comes into its differential does what it did on the side that it came from. */
  private weather(outdoorF: Situation['outdoorF']): void {
    const { inst } = this.circuit
    const inside = new Set(memoriesAt(inst, this.outdoorF))
    for (const ref of memoriesAt(inst, outdoorF))
      if (!inside.has(ref)) this.memories[ref] = outdoorF > this.outdoorF ? 'made' : 'broken'
    this.outdoorF = outdoorF
  }

  /** Contacts whose time has come; those whose drivers have changed begin to wait. */
  private moveContacts(state: Settled): Move[] {
    const moves: Move[] = []
    for (const c of this.contacts) {
      const wants = state.drivers[c.index] === 2
      const is = this.held[c.index] === 1
      if (wants === is) {
        this.due.delete(c)
        continue
      }
      const waiting = this.due.get(c) ?? { at: this.now + (wants ? c.closes : c.opens), since: this.now }
      // A board has one motor to run: the speed that it leaves does not outlast the one that it takes up.
      const at = !wants && c.motor && this.otherSpeed(c, state) ? this.now : waiting.at
      if (at > this.now) {
        this.due.set(c, waiting)
        continue
      }
      this.due.delete(c)
      this.held[c.index] = wants ? 1 : 0
      moves.push({ kind: 'contact', ref: c.ref, closes: wants, waited: this.now - waiting.since })
    }
    return moves
  }

  private otherSpeed = (c: TimedContact, state: Settled): boolean =>
    c.speeds.some((i) => i !== c.index && state.drivers[i] === 2)

  /** The modes whose counts are full. One way out at a time: the next round looks at the state that it led to. */
  private moveModes(): Move[] {
    const moves: Move[] = []
    const gone = new Set<Ref>()
    for (const c of this.counters) {
      const truth = this.truthOf(c)
      const { counts = 'while' } = c.transition
      const edge =
        counts === 'begins' ? c.was !== 'yes' && truth === 'yes' : c.was === 'yes' && truth === 'no'
      c.was = truth
      const stands = this.states.get(c.mode.ref) === c.transition.from
      if (!stands || gone.has(c.mode.ref)) {
        // A count belongs to one stay in a state.
        if (!stands) this.forget(c)
        continue
      }
      if (c.transition.reset && this.ask(c, c.transition.reset) === 'yes') this.forget(c)
      if (counts !== 'while' && edge) c.begun = true
      const counting = counts === 'while' ? truth === 'yes' : c.begun
      if (!counting) {
        if (!c.transition.accumulates) this.forget(c)
        continue
      }
      const after = this.after(c)
      if (after === null || c.counted < after - tolerances.sameInstant) continue
      moves.push({
        kind: 'mode',
        ref: c.mode.ref,
        from: c.transition.from,
        to: c.transition.to,
        waited: after,
        transition: c.transition,
      })
      this.states.set(c.mode.ref, c.transition.to)
      gone.add(c.mode.ref)
      this.forget(c)
    }
    return moves
  }

  private forget(c: Counter): void {
    c.counted = 0
    c.begun = false
  }

  private isCounting = (c: Counter): boolean =>
    this.states.get(c.mode.ref) === c.transition.from &&
    ((c.transition.counts ?? 'while') === 'while' ? c.was === 'yes' : c.begun)

  private after(c: Counter): number | null {
    const { inst } = this.circuit
    const after = amountOf(c.transition.after ?? 0, (id) => settingIn(inst, c.mode.placed, id))
    if (after === null) this.untimed.add(c.mode.ref)
    return after
  }

  private nextInstant(): number | null {
    const times = [...this.due.values()].map((d) => d.at)
    for (const c of this.counters) {
      const after = this.isCounting(c) ? this.after(c) : null
      if (after !== null) times.push(this.now + after - c.counted)
    }
    if (this.events[0]) times.push(this.events[0].at)
    return times.length ? Math.max(this.now, Math.min(...times)) : null
  }

  private pass(seconds: number): void {
    for (const c of this.counters) if (this.isCounting(c)) c.counted += seconds
  }

  /** The situation as it can be seen: a mode's state where it cannot stand counts on and shows as normal. */
  private situation(): Situation {
    const bare: Situation = { call: this.call, outdoorF: this.outdoorF, modes: {} }
    const modes: Situation['modes'] = { ...this.memories }
    for (const mode of this.modes) {
      const state = this.states.get(mode.ref)
      if (state !== undefined && stands(this.circuit.inst, mode, state, bare)) modes[mode.ref] = state
    }
    return { ...bare, modes }
  }

  private truthOf = (c: Counter): Truth => (c.transition.when ? this.ask(c, c.transition.when) : 'yes')

  private ask(c: Counter, when: NonNullable<Transition['when']>): Truth {
    const { inst } = this.circuit
    const { placed } = c.mode
    const state = this.state
    const at = (
      of: Uint8Array | undefined,
      index: ReadonlyMap<Ref, number>,
      id: string,
      is: number,
    ): boolean => {
      const i = index.get(makeRef(placed.ref, id))
      return i !== undefined && of?.[i] === is
    }
    const situation = this.situation()
    return evaluateWhen(when, {
      ...evalContextOf(inst, placed, situation, (id) =>
        at(state?.coils, this.loadIndex, id, 2) ? 'yes' : 'no',
      ),
      // Its own state also where it does not show.
      mode: (id) => this.states.get(makeRef(placed.ref, id)) ?? '',
      closed: (id) => (at(state?.closed, this.contactIndex, id, 1) ? 'yes' : 'no'),
      feels: (what) => this.input.feels?.(placed, what, situation) ?? null,
    })
  }

  private note(moves: Move[], situation: Situation, state: Settled): void {
    const { loads } = this.circuit.net
    const running = loads.flatMap((l, i) =>
      l.part.does && l.part.does.what !== 'control' && state.coils[i] === 2 ? [l.ref] : [],
    )
    const before = this.steps[this.steps.length - 1]?.running ?? running
    for (const ref of running) if (!before.includes(ref)) moves.push({ kind: 'load', ref, on: true })
    for (const ref of before) if (!running.includes(ref)) moves.push({ kind: 'load', ref, on: false })
    this.steps.push({ at: this.now, moves, situation, state, running })
  }
}
