import {
  amountOf,
  evaluateWhen,
  normalState,
  type Felt,
  type TransitionContext,
  type Truth,
  type Unknowable,
  type When,
} from '../equipment'
import type { Circuit, Outcome, Settled } from '../circuit'
import { settingIn, type Placed, type Ref } from '../installation'
import { memoriesAt, modesOf, type PlacedMode, type Situation } from '../situation'
import { required } from '../assert'
import { tolerances } from '../tolerances'
import { entry } from './entry'
import { causeOf, contextFor, shows, type View } from './context'
import { CountCurves } from './curves'
import { countersOf, Truths, type Counter, type Slot } from './counter'
import { timedContacts, type TimedContact } from './timedContacts'
import type { Move, OutsideEvent, Step, Trace } from './trace'
import type { World } from './world'

/** Input of a run. Nothing comes from a clock or by chance: the same input gives the same trace. */
export interface TimeInput {
  /** How it stands at 0 s, for as long as it takes to settle. */
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
  /** Keeps how the counts that accumulate fill. */
  counts?: boolean
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
  private readonly states = new Map<Ref, Slot>()
  private readonly modes: PlacedMode[]
  private readonly memories: Situation['modes'] = {}
  private readonly contacts: TimedContact[]
  private readonly contactStates: Uint8Array
  private readonly due = new Map<TimedContact, { at: number; since: number }>()
  private readonly counters: Counter[]
  private readonly curves: CountCurves | null
  /** Counters that count until the next instant. */
  private readonly counting: Counter[] = []
  private readonly untimed = new Set<Ref>()
  private readonly events: OutsideEvent[]
  private readonly steps: Step[] = []
  private state: Settled | null = null
  private lastRunning: Ref[] = []
  private noted = false
  /** Situations, one for all states of all modes, and outcomes that were there before: a run comes back to the same few. */
  private readonly situations = new Map<string, Situation>()
  private current: Situation | null = null
  private readonly outcomes = new Map<Situation, Map<Settled | null, Map<string, Outcome>>>()
  private readonly truths = new Map<Situation, Map<Settled | null, Truths>>()
  /** `held` as a key; null: it has moved since. */
  private contactKey: string | null = null
  private readonly runnings = new Map<Settled, Ref[]>()
  private readonly bands = new Map<number, ReadonlySet<Ref>>()
  private readonly contexts = new Map<Placed, TransitionContext>()
  private readonly view: View = {
    situation: () => this.situation(),
    state: () => this.state,
    slots: this.states,
    feels: (placed, what) =>
      this.input.world
        ? this.input.world.feels(placed, what)
        : (this.input.feels?.(placed, what, this.situation()) ?? null),
  }

  constructor(
    private readonly circuit: Circuit,
    private readonly input: TimeInput,
  ) {
    const { inst, net } = circuit
    this.call = input.start.call
    this.outdoorF = input.start.outdoorF
    this.events = [...input.events].sort((a, b) => a.at - b.at)
    this.modes = modesOf(inst)
    for (const { ref, mode } of this.modes)
      this.states.set(ref, { state: input.start.modes[ref] ?? normalState(mode) })
    for (const [ref, last] of Object.entries(input.start.modes))
      if (!this.states.has(ref as Ref)) this.memories[ref as Ref] = last
    this.contacts = timedContacts(circuit, this.untimed)
    this.contactStates = new Uint8Array(net.contacts.length).fill(2)
    this.counters = countersOf(this.modes, this.states)
    this.curves = input.counts ? new CountCurves() : null
  }

  trace(): Trace {
    const first = this.settle(null)
    if (!first.ok) return { steps: [], ended: 'chatter', untimed: [], counts: [] }
    this.state = first
    for (const c of this.contacts) this.contactStates[c.index] = first.closed[c.index] ? 1 : 0
    const truths = this.truthsNow()
    for (const c of this.counters) c.was = truths.when(c, this.feltNow(), this.ask)
    this.note([], this.situation(), first)
    const ended = this.goOn()
    return {
      steps: this.steps,
      ended,
      untimed: [...this.untimed],
      counts: this.curves?.ended(ended === 'rest' ? this.input.until : this.now) ?? [],
    }
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
          required(this.state, 'what stands'),
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
    for (let event = this.events[0]; event && event.at <= this.now; event = this.events[0]) {
      moves.push({ kind: 'outside', event: this.take(event) })
      this.events.shift()
    }
    this.hear(moves)
    for (let round = 0; round < tolerances.settleRounds; round++) {
      const situation = this.situation()
      const outcome = this.settle(this.state)
      if (!outcome.ok) return false
      this.state = outcome
      const before = moves.length
      this.moveContacts(outcome, moves)
      this.moveModes(moves)
      if (moves.length === before) {
        if (moves.length) this.note(moves, situation, outcome)
        return true
      }
    }
    return false
  }

  /** Reads the present call from the surroundings, and the temperature class of the weather. */
  private hear(moves: Move[]): void {
    const { world } = this.input
    if (!world) return
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
  }

  private settle(before: Settled | null): Outcome {
    const situation = this.situation()
    const byState = entry(this.outcomes, situation, () => new Map<Settled | null, Map<string, Outcome>>())
    const byContacts = entry(byState, before, () => new Map<string, Outcome>())
    return entry(byContacts, (this.contactKey ??= String.fromCharCode(...this.contactStates)), () =>
      this.circuit.settleWithContacts(situation, this.contactStates, before),
    )
  }

  private take(event: OutsideEvent): OutsideEvent {
    this.current = null
    if ('call' in event) this.call = event.call
    else if ('outdoorF' in event) this.weather(event.outdoorF)
    else if ('device' in event) this.hurry(event.device, event.faster)
    else if ('site' in event) this.input.world?.happens(event.site)
    else {
      const slot = this.states.get(event.mode)
      if (slot) slot.state = event.state
      else this.memories[event.mode] = event.state
    }
    return event
  }

  /** Speed-up pins shorten the interval to a defrost, and nothing else. */
  private hurry(device: string, faster: number): void {
    for (const c of this.counters) {
      const { placed, mode } = c.mode
      const leads = mode.states.find((s) => s.id === c.transition.to)?.condition === 'defrost'
      if (placed.ref === device && leads && c.transition.accumulates) c.rate = faster
    }
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
  private moveContacts(state: Settled, moves: Move[]): void {
    for (const c of this.contacts) {
      const wants = state.drivers[c.index] === 2
      const is = this.contactStates[c.index] === 1
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
      this.contactStates[c.index] = wants ? 1 : 0
      this.contactKey = null
      moves.push({ kind: 'contact', ref: c.ref, closes: wants, waited: this.now - waiting.since })
    }
  }

  private otherSpeed = (c: TimedContact, state: Settled): boolean =>
    c.speeds.some((i) => i !== c.index && state.drivers[i] === 2)

  /** The modes whose counts are full. One way out at a time: the next round looks at the state that it led to. */
  private moveModes(moves: Move[]): void {
    let gone: Slot[] | null = null
    let truths = this.truthsNow()
    const felt = this.feltNow()
    for (const c of this.counters) {
      const truth = truths.when(c, felt, this.ask)
      const { counts = 'while' } = c.transition
      const edge =
        counts === 'begins' ? c.was !== 'yes' && truth === 'yes' : c.was === 'yes' && truth === 'no'
      c.was = truth
      const stands = c.slot.state === c.transition.from
      if (!stands || gone?.includes(c.slot)) {
        // A count belongs to one stay in a state.
        if (!stands) this.forget(c)
        continue
      }
      if (truths.reset(c, this.ask) === 'yes') this.forget(c)
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
        because: causeOf(c, this.contextOf(c.mode.placed), this.input.world),
      })
      c.slot.state = c.transition.to
      this.current = null
      truths = this.truthsNow()
      ;(gone ??= []).push(c.slot)
      this.forget(c)
    }
  }

  private forget(c: Counter): void {
    c.counted = 0
    c.begun = false
  }

  private isCounting = (c: Counter): boolean =>
    c.slot.state === c.transition.from &&
    ((c.transition.counts ?? 'while') === 'while' ? c.was === 'yes' : c.begun)

  private after(c: Counter): number | null {
    if (c.after !== undefined) return c.after
    const { inst } = this.circuit
    c.after = amountOf(c.transition.after ?? 0, (id) => settingIn(inst, c.mode.placed, id))
    if (c.after === null) this.untimed.add(c.mode.ref)
    return c.after
  }

  private nextInstant(): number | null {
    let next = this.events[0]?.at ?? Infinity
    for (const d of this.due.values()) next = Math.min(next, d.at)
    this.counting.length = 0
    for (const c of this.counters) {
      if (!this.isCounting(c)) continue
      this.counting.push(c)
      const after = this.after(c)
      if (after !== null) next = Math.min(next, this.now + (after - c.counted) / c.rate)
    }
    this.curves?.look(this.now, this.counters, this.isCounting)
    return next === Infinity ? null : Math.max(this.now, next)
  }

  private pass(seconds: number): void {
    for (const c of this.counting) c.counted += seconds * c.rate
  }

  /** The situation as it can be seen: a mode's state where it cannot stand counts on and shows as normal. */
  private situation(): Situation {
    if (this.current) return this.current
    const key = `${this.call} ${this.outdoorF} ${this.statesKey()} ${Object.entries(this.memories).flat().join()}`
    return (this.current = entry(this.situations, key, () => this.newSituation()))
  }

  private statesKey(): string {
    let key = ''
    for (const { state } of this.states.values()) key += `${state},`
    return key
  }

  private newSituation(): Situation {
    const bare: Situation = { call: this.call, outdoorF: this.outdoorF, modes: {} }
    const modes: Situation['modes'] = { ...this.memories }
    for (const mode of this.modes) {
      const state = this.states.get(mode.ref)?.state
      if (state !== undefined && shows(this.circuit.inst, mode, state, bare)) modes[mode.ref] = state
    }
    return { ...bare, modes }
  }

  /** Answers of the counters' conditions now; a condition on a hidden mode needs a situation of its own. */
  private truthsNow = (): Truths =>
    entry(
      entry(this.truths, this.situation(), () => new Map<Settled | null, Truths>()),
      this.state,
      () => new Truths(this.counters.length),
    )

  private feltNow = (): number => this.input.world?.feltNumber() ?? NaN

  private ask = (c: Counter, when: When): Truth => evaluateWhen(when, this.contextOf(c.mode.placed))

  private contextOf = (placed: Placed): TransitionContext =>
    entry(this.contexts, placed, () => contextFor(this.circuit, placed, this.view))

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
