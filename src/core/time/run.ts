import {
  amountOf,
  evaluateWhen,
  normalState,
  type Felt,
  type Transition,
  type EvalContext,
  type TransitionContext,
  type Truth,
  type Unknowable,
  type Value,
} from '../equipment'
import type { Circuit, Outcome, Settled } from '../circuit'
import { makeRef, settingIn, type Placed, type Ref } from '../installation'
import { evalContextOf, memoriesAt, modesOf, stands, type PlacedMode, type Situation } from '../situation'
import { sure } from '../sure'
import { tolerances } from '../tolerances'
import { entry } from './entry'
import { countersOf, isFresh, type Counter } from './counter'
import { timedContacts, type TimedContact } from './timedContacts'
import type { Move, OutsideEvent, Step, Trace } from './trace'
import type { World } from './world'

/** What is asked of a run. Nothing comes from a clock or by chance: the same input gives the same trace. */
export interface TimeInput {
  /** How it stands at 0 s, for as long as it takes to come to rest. */
  start: Situation
  events: readonly OutsideEvent[]
  /** s at which it ends at the latest. */
  until: number
  /** °F of the air and coils that a device stands in; left out: nobody knows. */
  feels?: (placed: Placed, what: Felt, situation: Situation) => Unknowable<number>
  /** The house, weather and thermostat that it runs in; left out: what is called is what the events call. */
  world?: World
  /** Gets each step instead of the trace, which stays empty: a winter has more of them than anybody reads. */
  onStep?: (step: Step) => void
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
  private lastRunning: Ref[] = []
  private noted = false
  /** Counts the changes of modes: one that does not show in the situation is seen by its own device all the same. */
  private version = 0
  /** Situations and outcomes that were there before: a run comes back to the same few again and again. */
  private readonly situations = new Map<string, Situation>()
  private current: Situation | null = null
  private readonly outcomes = new Map<Situation, Map<Settled | null, Map<string, Outcome>>>()
  private readonly runnings = new Map<Settled, Ref[]>()
  private readonly bands = new Map<number, ReadonlySet<Ref>>()
  private readonly contexts = new Map<Placed, TransitionContext>()
  private readonly seenIn = new Map<Situation, Map<Ref, EvalContext>>()

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
    this.counters = countersOf(this.modes)
  }

  trace(): Trace {
    const first = this.settle(null)
    if (!first.ok) return { steps: [], ended: 'chatter', untimed: [] }
    this.state = first
    for (const c of this.contacts) this.held[c.index] = first.closed[c.index] ? 1 : 0
    for (const c of this.counters) c.was = this.truthOf(c)
    this.note([], this.situation(), first)
    const ended = this.goOn()
    return { steps: this.steps, ended, untimed: [...this.untimed] }
  }

  private goOn(): Trace['ended'] {
    // With a world around it there is always something that moves; without one a run that never ends is cut.
    for (let n = 0; this.input.world !== undefined || n < tolerances.timeSteps; n++) {
      if (!this.settleNow()) return 'chatter'
      const next = this.nextInstant()
      const { world, until } = this.input
      if (world) {
        if (this.now >= until) return 'until'
        const at = world.pass(
          this.now,
          Math.min(next ?? until, until),
          this.situation(),
          sure(this.state, 'what stands'),
        )
        this.pass(at - this.now)
        this.now = at
        continue
      }
      if (next === null) return 'rest'
      if (next > until) return 'until'
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
    moves.push(...this.hear())
    for (let round = 0; round < tolerances.settleRounds; round++) {
      const situation = this.situation()
      const outcome = this.settle(this.state)
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

  /** What the world asks for now, and the class of weather that it is in. */
  private hear(): Move[] {
    const { world } = this.input
    if (!world) return []
    const moves: Move[] = []
    const { call, cause } = world.demand(this.now)
    if (call !== this.call) {
      moves.push({ kind: 'demand', from: this.call, call, cause })
      this.call = call
      this.current = null
    }
    const outdoorF = world.outdoorF()
    if (outdoorF !== this.outdoorF) {
      this.weather(outdoorF)
      moves.push({ kind: 'weather', outdoorF })
    }
    return moves
  }

  private settle(before: Settled | null): Outcome {
    const situation = this.situation()
    const byState = entry(this.outcomes, situation, () => new Map<Settled | null, Map<string, Outcome>>())
    const byHeld = entry(byState, before, () => new Map<string, Outcome>())
    return entry(byHeld, String.fromCharCode(...this.held), () =>
      this.circuit.settleHeld(situation, this.held, before),
    )
  }

  private take(event: OutsideEvent): OutsideEvent {
    this.current = null
    this.version++
    if ('call' in event) this.call = event.call
    else if ('outdoorF' in event) this.weather(event.outdoorF)
    else if (this.states.has(event.mode)) this.states.set(event.mode, event.state)
    else this.memories[event.mode] = event.state
    return event
  }

  /** A switch that comes into its differential does what it did on the side that it came from. */
  private weather(outdoorF: Situation['outdoorF']): void {
    const { inst } = this.circuit
    const at = (t: Situation['outdoorF']) => entry(this.bands, t, () => new Set(memoriesAt(inst, t)))
    const inside = at(this.outdoorF)
    for (const ref of at(outdoorF))
      if (!inside.has(ref)) this.memories[ref] = outdoorF > this.outdoorF ? 'made' : 'broken'
    this.current = null
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
      this.version++
      this.current = null
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
    if (this.current) return this.current
    const key = `${this.call} ${this.outdoorF} ${[...this.states.values()].join()} ${Object.entries(this.memories).flat().join()}`
    return (this.current = entry(this.situations, key, () => this.newSituation()))
  }

  private newSituation(): Situation {
    const bare: Situation = { call: this.call, outdoorF: this.outdoorF, modes: {} }
    const modes: Situation['modes'] = { ...this.memories }
    for (const mode of this.modes) {
      const state = this.states.get(mode.ref)
      if (state !== undefined && stands(this.circuit.inst, mode, state, bare)) modes[mode.ref] = state
    }
    return { ...bare, modes }
  }

  private truthOf(c: Counter): Truth {
    const { when } = c.transition
    if (!when) return 'yes'
    const felt = c.felt ? (this.input.world?.feltNumber() ?? NaN) : 0
    if (isFresh(c, this.situation(), this.state, this.version, felt)) return c.truth
    return (c.truth = evaluateWhen(when, this.contextOf(c.mode.placed)))
  }

  private ask = (c: Counter, when: NonNullable<Transition['when']>): Truth =>
    evaluateWhen(when, this.contextOf(c.mode.placed))

  private contextOf = (placed: Placed): TransitionContext =>
    entry(this.contexts, placed, () => this.newContext(placed))

  /** What a device's transitions see: made once, and asked of what stands at the moment. */
  private newContext(placed: Placed): TransitionContext {
    const { inst } = this.circuit
    const run = this // eslint-disable-line @typescript-eslint/no-this-alias -- the getters below are the context's own
    const settings = new Map<string, Unknowable<Value>>()
    const coils = new Map<string, number>()
    const contacts = new Map<string, number>()
    const at = (of: Uint8Array | undefined, i: number, is: number): Truth => (of?.[i] === is ? 'yes' : 'no')
    const seen = () => entry(run.seenIn, run.situation(), () => new Map<Ref, EvalContext>())
    const plain = () => entry(seen(), placed.ref as Ref, () => evalContextOf(inst, placed, run.situation()))
    return {
      get call() {
        return run.call
      },
      get outdoorF() {
        return run.outdoorF
      },
      setting: (id) => entry(settings, id, () => settingIn(inst, placed, id)),
      // Its own state also where it does not show.
      mode: (id) => run.states.get(makeRef(placed.ref, id)) ?? '',
      condition: (m) => plain().condition(m),
      memory: (id) => plain().memory(id),
      energised: (id) =>
        at(
          run.state?.coils,
          entry(coils, id, () => run.loadIndex.get(makeRef(placed.ref, id)) ?? -1),
          2,
        ),
      closed: (id) =>
        at(
          run.state?.closed,
          entry(contacts, id, () => run.contactIndex.get(makeRef(placed.ref, id)) ?? -1),
          1,
        ),
      feels: (what) =>
        run.input.world
          ? run.input.world.feels(placed, what)
          : (run.input.feels?.(placed, what, run.situation()) ?? null),
    }
  }

  private note(moves: Move[], situation: Situation, state: Settled): void {
    const running = entry(this.runnings, state, () => this.runningOf(state))
    const before = this.noted ? this.lastRunning : running
    if (running !== before) {
      for (const ref of running) if (!before.includes(ref)) moves.push({ kind: 'load', ref, on: true })
      for (const ref of before) if (!running.includes(ref)) moves.push({ kind: 'load', ref, on: false })
    }
    this.noted = true
    this.lastRunning = running
    const step: Step = { at: this.now, moves, situation, state, running }
    if (this.input.onStep) this.input.onStep(step)
    else this.steps.push(step)
  }

  private runningOf = (state: Settled): Ref[] =>
    this.circuit.net.loads.flatMap((l, i) =>
      l.part.does && l.part.does.what !== 'control' && state.coils[i] === 2 ? [l.ref] : [],
    )
}
