import {
  evaluateLeaf,
  normalState,
  type Expr,
  type Leaf,
  type ModeMeaning,
  type Sight,
  type Truth,
} from '../equipment'
import { makeRef, type Installation, type Placed, type Ref } from '../installation'
import { meaningsOf, memoryState, sightOf, type Situation } from '../situation'
import { degF } from '../units'

/** Truth as a number, so that "all" is a minimum and "any" a maximum: 0 no, 1 unknown, 2 yes. */
export type Level = 0 | 1 | 2
const LEVEL: Record<Truth, Level> = { no: 0, unknown: 1, yes: 2 }
export const truthOf = (level: number): Truth => (level === 2 ? 'yes' : level === 1 ? 'unknown' : 'no')

/** Answers of the outside leaves and states of the coils go in; whether the contact is closed comes out. */
export type Driver = (outside: Uint8Array, coils: Uint8Array) => number

/**
 * Drivers compiled against two numbered lists: leaves that the situation alone answers, and coils. Two situations with
 * the same answers to all leaves have the same solution, which is what makes a sweep of thousands of states cheap.
 */
export class DriverTable {
  private readonly leaves: { sight: Sight; leaf: Leaf }[] = []
  private readonly sights = new Map<Placed, Sight>()
  private readonly byKey = new Map<string, number>()

  constructor(
    private readonly inst: Installation,
    private readonly coilIndex: ReadonlyMap<Ref, number>,
  ) {}

  private compile(placed: Placed, expr: Expr): Driver {
    if ('all' in expr) {
      const parts = expr.all.map((e) => this.compile(placed, e))
      return (o, c) => {
        let least = 2
        for (const p of parts) {
          const v = p(o, c)
          if (v < least) least = v
        }
        return least
      }
    }
    if ('any' in expr) {
      const parts = expr.any.map((e) => this.compile(placed, e))
      return (o, c) => {
        let most = 0
        for (const p of parts) {
          const v = p(o, c)
          if (v > most) most = v
        }
        return most
      }
    }
    if ('not' in expr) {
      const part = this.compile(placed, expr.not)
      return (o, c) => 2 - part(o, c)
    }
    if ('energised' in expr) {
      const coil = this.coilIndex.get(makeRef(placed.ref, expr.energised))
      if (coil === undefined) return () => 0
      const watching = this.coilWatchers.get(coil) ?? []
      if (!watching.includes(this.now)) this.coilWatchers.set(coil, [...watching, this.now])
      return (_, c) => c[coil]!
    }
    const at = this.leafIndex(placed, expr)
    return (o) => o[at]!
  }

  /**
   * The answers of all outside leaves in a situation. Thousands of states are asked in one sweep and most leaves look
   * at the call and the temperature only, which many states share: those answers are kept.
   */
  answers(situation: Situation): Uint8Array {
    for (const sight of this.sights.values()) {
      sight.call = situation.call
      sight.outdoorF = situation.outdoorF
    }
    this.modes = situation.modes
    const key = `${situation.call} ${situation.outdoorF}`
    let steady = this.steady.get(key)
    if (steady?.length !== this.leaves.length) {
      steady = Uint8Array.from(this.leaves, ({ sight, leaf }) => LEVEL[evaluateLeaf(leaf, sight)])
      this.steady.set(key, steady)
    }
    const out = steady.slice()
    let byMode = this.byMode.get(situation.modes)
    if (byMode?.length !== this.changing.length) {
      byMode = Uint8Array.from(this.changing, (i) => this.answer(i))
      this.byMode.set(situation.modes, byMode)
    }
    for (let n = 0; n < byMode.length; n++) out[this.changing[n]!] = byMode[n]!
    for (const i of this.banded) out[i] = this.answer(i)
    return out
  }

  private answer(i: number): Level {
    const { sight, leaf } = this.leaves[i]!
    return LEVEL[evaluateLeaf(leaf, sight)]
  }

  /** For each leaf, the contacts whose drivers look at it. */
  readonly watchers: number[][] = []
  /** For each coil that moves a contact, those contacts. */
  readonly coilWatchers = new Map<number, number[]>()
  /** Compiles the driver of one contact, and notes what it looks at. */
  contact(number: number, placed: Placed, expr: Expr): Driver {
    this.now = number
    return this.compile(placed, expr)
  }
  private now = -1

  private readonly steady = new Map<string, Uint8Array>()
  /** Leaves that look at modes alone; and those that look at a temperature and at what a switch did last. */
  private readonly changing: number[] = []
  private readonly banded: number[] = []
  /** Rows of modes are shared by many calls and temperatures. */
  private readonly byMode = new WeakMap<Situation['modes'], Uint8Array>()
  private modes: Situation['modes'] = {}

  private meant: { modes: Situation['modes']; means: ReadonlySet<ModeMeaning> } | null = null
  private meansNow(): ReadonlySet<ModeMeaning> {
    if (this.meant?.modes !== this.modes)
      this.meant = { modes: this.modes, means: meaningsOf(this.inst, this.modes) }
    return this.meant.means
  }

  private sightFor(placed: Placed): Sight {
    let sight = this.sights.get(placed)
    if (!sight) {
      const names = new Map<string, Ref>()
      const normal = new Map(placed.device.modes.map((m) => [m.id, normalState(m)]))
      const named = (id: string): string | undefined => {
        let ref = names.get(id)
        if (ref === undefined) names.set(id, (ref = makeRef(placed.ref, id)))
        return this.modes[ref]
      }
      const bare = sightOf(this.inst, placed, { call: 'off', outdoorF: degF(0), modes: {} })
      sight = {
        ...bare,
        mode: (id) => named(id) ?? normal.get(id) ?? '',
        memory: (id) => memoryState(named(id)),
        means: (m) => this.meansNow().has(m),
      }
      this.sights.set(placed, sight)
    }
    return sight
  }

  private leafIndex(placed: Placed, leaf: Leaf): number {
    const key = placed.ref + JSON.stringify(leaf)
    let i = this.byKey.get(key)
    if (i === undefined) {
      i = this.leaves.length
      this.leaves.push({ sight: this.sightFor(placed), leaf })
      if ('mode' in leaf || 'means' in leaf) this.changing.push(i)
      else if ('sense' in leaf && (leaf.band ?? 0) > 0) this.banded.push(i)
      this.watchers.push([])
      this.byKey.set(key, i)
    }
    if (!this.watchers[i]!.includes(this.now)) this.watchers[i]!.push(this.now)
    return i
  }
}
