import type { Call } from '../equipment'
import type { Installation, Ref } from '../installation'
import { DerivedCache } from '../cache'
import type { ModeCombination, ModeRows, Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF, type DegF } from '../units'
import { DeviceLayer } from './DeviceLayer'
import type { Driver, DriverTable } from './drivers'
import {
  complexes,
  factor,
  factorsFor,
  planElimination,
  solveFactored,
  type Complexes,
  type Factors,
  type EliminationPlan,
} from './elimination'
import { across, withWires, type Netlist } from './netlist'
import { overcurrents } from './overcurrent'
import { memoryCoils } from './memory'
import { Settling } from './settling'
import { bareMatrix, injected, pairsOf, stamp, stampTransformer } from './stamps'

/** Contacts and coils at rest, with the node volts that go with them. */
export interface Settled {
  ok: true
  /** Node volts against earth. */
  volts: Complexes
  /** Answer of each contact's driver: 0 no, 1 unknown, 2 yes. */
  drivers: Uint8Array
  /** 1 where the contact was taken as closed. */
  closed: Uint8Array
  /** 2 where the load is energised, else 0. */
  coils: Uint8Array
  /** The situation's answers to leaves that read outside the circuit. */
  outside: Uint8Array
}
/** A circuit that finds no rest: the coils that keep changing. */
export interface Chatter {
  ok: false
  why: 'chatter'
  cycle: Ref[]
}
export interface Singular {
  ok: false
  why: 'singular'
  cycle: Ref[]
}
export type Outcome = Settled | Chatter | Singular

/** How a contact whose driver is unknown is taken. */
export type UnknownAs = 'open' | 'closed'

/** A job's circuit, laid out and planned once, solved for any number of operating states. */
export class Circuit {
  readonly net: Netlist
  readonly plan: EliminationPlan
  /** Values that others derived from this circuit. */
  readonly cache = new DerivedCache<Circuit>(this)
  private readonly devices: DeviceLayer
  private readonly table: DriverTable
  private readonly drivers: Driver[]
  private readonly base: Complexes
  private readonly rhs: Complexes
  private readonly outcomes = new Map<string, Outcome>()
  private remembers: boolean | undefined
  private readonly solved = new Map<string, Complexes | null>()
  /** The coils that the last outcome with these volts settled in. */
  private readonly rests = new WeakMap<Complexes, Uint8Array>()
  /** Spent by each solution of the sweep, and filled again by the next. */
  private readonly room: { matrix: Complexes; factors: Factors }

  /** @param before a circuit that differs little: what stands inside the devices is its own where those are the same */
  constructor(
    readonly inst: Installation,
    before?: Circuit,
  ) {
    this.devices = before?.devices.placed === inst.placed ? before.devices : new DeviceLayer(inst)
    this.table = this.devices.table
    this.drivers = this.devices.drivers
    this.net = withWires(this.devices.net, inst)
    const { conductors, leaks, contacts, loads, sources, transformers, nodes } = this.net
    this.plan = planElimination(
      nodes.length,
      pairsOf([...conductors, ...contacts, ...loads, ...sources], transformers),
    )
    this.rhs = injected(nodes.length, sources)
    this.room = { matrix: complexes(this.plan.slots), factors: factorsFor(this.plan) }
    this.base = bareMatrix(this.plan)
    for (const b of [...conductors, ...leaks, ...loads, ...sources]) stamp(this.plan, this.base, b)
    for (const t of transformers) stampTransformer(this.plan, this.base, t)
  }

  /** Every combination of modes that can occur for a call at an outdoor temperature. */
  combinationsAt(call: Call, outdoorF: DegF): ModeCombination[] {
    return this.devices.rows.at(call, outdoorF)
  }

  /** How many they are, and of which modes, without making any. */
  countCombinations(call: Call, outdoorF: DegF): ReturnType<ModeRows['count']> {
    return this.devices.rows.count(call, outdoorF)
  }

  /** Factors of the circuit with these contacts closed, the caller's to keep. */
  factors(closed: Uint8Array): Factors | null {
    return this.factorsInto(closed, factorsFor(this.plan))
  }

  private factorsInto(closed: Uint8Array, into: Factors): Factors | null {
    const { matrix } = this.room
    matrix.re.set(this.base.re)
    matrix.im.set(this.base.im)
    for (let i = 0; i < closed.length; i++) if (closed[i]) stamp(this.plan, matrix, this.net.contacts[i]!)
    return factor(this.plan, matrix, into)
  }

  /** Temperatures with the same key solve alike in a call, whatever the modes. */
  temperatureClass(situation: Pick<Situation, 'call' | 'outdoorF'>): string {
    return this.table.temperatureClass(situation)
  }

  /** 1 where a contact is closed with no power anywhere, in a mild hour with nothing called. */
  atRest(): Uint8Array {
    const outside = this.table.answers({ call: 'off', outdoorF: degF(tolerances.mildF), modes: {} })
    const coils = new Uint8Array(this.net.loads.length)
    return Uint8Array.from(this.drivers, (d) => (d(outside, coils) === 2 ? 1 : 0))
  }

  private nodeVolts(closed: Uint8Array): Complexes | null {
    const key = packed(closed)
    const known = this.solved.get(key)
    if (known !== undefined) return known
    const factors = this.factorsInto(closed, this.room.factors)
    let volts: Complexes | null = null
    if (factors) {
      volts = { re: this.rhs.re.slice(), im: this.rhs.im.slice() }
      solveFactored(this.plan, factors, volts)
    }
    this.solved.set(key, volts)
    return volts
  }

  /**
   * Lets contacts and coils settle from all coils at rest. All coils move together; should that go in a circle, they
   * are tried one at a time, as real ones never move at the same instant; a circle even then is chatter.
   * @param near the outcome of a state that differs little, to begin from where it answers this one too
   */
  settle(situation: Situation, unknownAs: UnknownAs = 'open', near?: Outcome): Outcome {
    const outside = this.table.answers(situation)
    const same = near?.ok ? this.sameAs(near, outside, unknownAs) : undefined
    if (same) return same
    const key = packed(outside) + (unknownAs === 'open' ? '' : '?')
    return this.outcomeBy(key, outside, unknownAs, null)
  }

  /**
   * Lets contacts and coils settle from how they stand in another situation, as they do when a call, the weather or a
   * board changes. Where a relay seals itself in, the rest that is found may be another than the one from all coils at rest.
   */
  settleAfter(situation: Situation, previous: Settled, unknownAs: UnknownAs = 'open'): Outcome {
    const outside = this.table.answers(situation)
    const key = `${packed(outside)}${unknownAs === 'open' ? '' : '?'}<${packed(previous.coils)}`
    return this.outcomeBy(key, outside, unknownAs, previous.coils)
  }

  /**
   * The same where some contacts do not follow their drivers yet: a sequencer that is still warming, a blower relay that
   * holds on. What their drivers say stands in `drivers` all the same.
   * @param held by contact: 0 stands open, 1 stands closed, 2 follows its driver
   */
  settleWithContacts(
    situation: Situation,
    held: Uint8Array,
    previous: Pick<Settled, 'coils'> | null,
  ): Outcome {
    const outside = this.table.answers(situation)
    const from = previous?.coils ?? null
    const key = `${packed(outside)}!${packed(held)}<${from ? packed(from) : ''}`
    return this.outcomeBy(key, outside, 'open', from, held)
  }

  private outcomeBy(
    key: string,
    outside: Uint8Array,
    unknownAs: UnknownAs,
    from: Uint8Array | null,
    held: Uint8Array | null = null,
  ): Outcome {
    let outcome = this.outcomes.get(key)
    if (!outcome) {
      outcome = this.settleFrom(outside, unknownAs, 'together', from, held)
      if (!outcome.ok && outcome.why === 'chatter')
        outcome = this.settleFrom(outside, unknownAs, 'oneByOne', from, held)
      this.outcomes.set(key, outcome)
    }
    return outcome
  }

  /**
   * Whether a situation may settle in more than one way: a coil can change its own volts through contacts. Loads
   * that stand between drop-out and pull-in are another reason, which only a solution shows (`holdsOn`).
   */
  hasMemory(): boolean {
    return (this.remembers ??= memoryCoils(this.net, this.table.coilWatchers).size > 0)
  }

  /** Whether some control coil would stay in with the volts it has here, that did not pull it in. */
  holdsOn({ volts, coils }: Settled): boolean {
    for (const i of this.table.coilWatchers.keys()) {
      const l = this.net.loads[i]!
      if (coils[i] !== 2 && across(volts, l.a, l.b) >= l.dropOut) return true
    }
    return false
  }

  /**
   * The solution of a neighbouring state, where it is this one's as well: every contact that opens carries nothing and
   * every one that closes has nothing across it, so no current and no coil changes. Most of a sweep is such states.
   */
  private sameAs(near: Settled, outside: Uint8Array, unknownAs: UnknownAs): Settled | undefined {
    const { contacts } = this.net
    const threshold = unknownAs === 'closed' ? 1 : 2
    const { volts, coils } = near
    let { drivers, closed } = near
    for (let leaf = 0; leaf < outside.length; leaf++) {
      if (outside[leaf] === near.outside[leaf]) continue
      for (const i of this.table.watchers[leaf]!) {
        const level = this.drivers[i]!(outside, coils)
        if (level === drivers[i]) continue
        if (drivers === near.drivers) drivers = drivers.slice()
        drivers[i] = level
        const now = level >= threshold ? 1 : 0
        if (now === closed[i]) continue
        const c = contacts[i]!
        const v = across(volts, c.a, c.b)
        if (now === 0 ? v * c.re > tolerances.nothingA : v > tolerances.nothingV) return undefined
        if (closed === near.closed) closed = closed.slice()
        closed[i] = now
      }
    }
    return { ok: true, volts, drivers, closed, coils, outside }
  }

  /** The coils of two outcomes that come to the same rest are one list: what is read out of one need not be out of the other. */
  private shared(volts: Complexes, coils: Uint8Array): Uint8Array {
    const known = this.rests.get(volts)
    if (known && coils.every((v, i) => v === known[i])) return known
    this.rests.set(volts, coils)
    return coils
  }

  private shorted(
    cycle: readonly Uint8Array[],
    outside: Uint8Array,
    isClosed: (level: number, contact: number) => 0 | 1,
  ): Settled | undefined {
    for (const coils of cycle) {
      const drivers = Uint8Array.from(this.drivers, (d) => d(outside, coils))
      const closed = drivers.map(isClosed)
      const volts = this.nodeVolts(closed)
      if (volts && overcurrents(this.net, { volts, closed }).length)
        return { ok: true, volts, drivers, closed, coils, outside }
    }
    return undefined
  }

  private settleFrom(
    outside: Uint8Array,
    unknownAs: UnknownAs,
    how: 'together' | 'oneByOne',
    from: Uint8Array | null,
    held: Uint8Array | null,
  ): Outcome {
    const settling = new Settling(this.net, this.drivers, outside, unknownAs === 'closed' ? 1 : 2, from, held)
    const { drivers, closed, coils } = settling
    const { coilWatchers } = this.table
    const history: Uint8Array[] = []
    for (let round = 0; round < tolerances.settleRounds; round++) {
      const volts = this.nodeVolts(closed)
      if (!volts) return { ok: false, why: 'singular', cycle: [] }
      const before = coils.slice()
      // Only coils that move a contact can bring another round; motors and elements are looked at when all is at rest.
      const moved = settling.move(volts, coilWatchers.keys(), how === 'oneByOne')
      if (!moved.length) {
        settling.rest(volts)
        return { ok: true, volts, drivers, closed, coils: this.shared(volts, coils), outside }
      }
      for (const i of moved) for (const c of coilWatchers.get(i)!) settling.look(c)
      const since = history.findIndex((h) => h.every((v, i) => v === before[i]))
      if (since >= 0) {
        // A short that drops the very relay that made it: the fuse goes at that instant, so that is what is reported.
        const blown = this.shorted(history.slice(since), outside, (level, i) => settling.isClosed(level, i))
        if (blown) return blown
        const restless = this.net.loads.filter((_, i) => history.slice(since).some((h) => h[i] !== before[i]))
        return { ok: false, why: 'chatter', cycle: restless.map((l) => l.ref) }
      }
      history.push(before)
    }
    return { ok: false, why: 'chatter', cycle: [] }
  }
}

/** A list of numbers from 0 to 3 as a short string, to look things up by: seven to a character. */
function packed(list: Uint8Array): string {
  let text = ''
  for (let i = 0; i < list.length;) {
    let code = 0
    for (const end = Math.min(list.length, i + 7); i < end; i++) code = (code << 2) | list[i]!
    text += String.fromCharCode(code)
  }
  return text
}
