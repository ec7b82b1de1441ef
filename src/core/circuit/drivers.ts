import {
  evaluateLeaf,
  leaves,
  normalState,
  type Call,
  type Expr,
  type Leaf,
  type Mode,
  type ModeCondition,
  type EvalContext,
  type Truth,
} from '../equipment'
import { makeRef, type Installation, type Placed, type Ref } from '../installation'
import { canFeel, conditionsOfModes, memoryState, evalContextOf, modesOf, type Situation } from '../situation'
import { degF } from '../units'

/** Truth as a number, so that "all" is a minimum and "any" a maximum: 0 no, 1 unknown, 2 yes. */
export type Level = 0 | 1 | 2
const LEVEL: Record<Truth, Level> = { no: 0, unknown: 1, yes: 2 }
export const truthOf = (level: number): Truth => (level === 2 ? 'yes' : level === 1 ? 'unknown' : 'no')

/** Answers of the outside leaves and states of the coils go in; whether the contact is closed comes out. */
export type Driver = (outside: Uint8Array, coils: Uint8Array) => number

/** Whether nothing but settings decides an expression. */
const onlySettings = (expr: Expr): boolean => leaves(expr).every((l) => 'set' in l)

/**
 * Drivers compiled against two numbered lists: leaves that the situation alone answers, and coils. Two situations with
 * the same answers to all leaves have the same solution, which is what makes a sweep of thousands of states cheap.
 */
export class DriverTable {
  private readonly leaves: { context: EvalContext; leaf: Leaf }[] = []
  private readonly contexts = new Map<Placed, EvalContext>()
  private readonly byKey = new Map<string, number>()

  constructor(
    private readonly inst: Installation,
    private readonly coilIndex: ReadonlyMap<Ref, number>,
  ) {
    this.modeAt = new Map(modesOf(inst).map((m) => [m.ref, m.mode]))
  }

  /**
   * Settings do not change within a circuit, so what depends on them alone is worked out here, once: a switched-off
   * lockout then leaves no leaf behind that would tell two temperatures apart.
   */
  private compile(placed: Placed, expr: Expr): Driver | Level {
    if ('all' in expr) return this.joined(placed, expr.all, 0)
    if ('any' in expr) return this.joined(placed, expr.any, 2)
    if ('not' in expr) {
      const part = this.compile(placed, expr.not)
      return typeof part === 'number' ? ((2 - part) as Level) : (o, c) => 2 - part(o, c)
    }
    if ('set' in expr) return LEVEL[evaluateLeaf(expr, this.contextFor(placed))]
    if ('energised' in expr) {
      const coil = this.coilIndex.get(makeRef(placed.ref, expr.energised))
      if (coil === undefined) return 0
      const watching = this.coilWatchers.get(coil) ?? []
      if (!watching.includes(this.now)) this.coilWatchers.set(coil, [...watching, this.now])
      return (_, c) => c[coil]!
    }
    const at = this.leafIndex(placed, expr)
    return (o) => o[at]!
  }

  /** "All" is the least of its parts and "any" the most; `decides` is the answer with which one part decides it. */
  private joined(placed: Placed, list: readonly Expr[], decides: 0 | 2): Driver | Level {
    // A part that its settings decide is looked for first: then nothing else of it is worth a leaf.
    const fixed = list.map((e) => (onlySettings(e) ? this.compile(placed, e) : undefined))
    if (fixed.includes(decides)) return decides
    const doubt = fixed.includes(1)
    const parts: Driver[] = []
    for (const [i, e] of list.entries()) {
      const part = fixed[i] ?? this.compile(placed, e)
      if (part === decides) return decides
      if (typeof part === 'function') parts.push(part)
    }
    const idle: Level = doubt ? 1 : decides === 0 ? 2 : 0
    if (!parts.length) return idle
    if (parts.length === 1 && !doubt) return parts[0]!
    const [x, y] = parts
    if (decides === 0) {
      if (parts.length === 2 && !doubt) return (o, c) => Math.min(x!(o, c), y!(o, c))
      return (o, c) => {
        let least: number = idle
        for (const p of parts) {
          const v = p(o, c)
          if (v < least) least = v
        }
        return least
      }
    }
    if (parts.length === 2 && !doubt) return (o, c) => Math.max(x!(o, c), y!(o, c))
    return (o, c) => {
      let most: number = idle
      for (const p of parts) {
        const v = p(o, c)
        if (v > most) most = v
      }
      return most
    }
  }

  /**
   * The answers of all outside leaves in a situation. Thousands of states are asked in one sweep and most leaves look
   * at the call and the temperature only, which many states share: those answers are kept.
   */
  answers(situation: Situation): Uint8Array {
    this.modes = situation.modes
    const out = this.steadyAt(situation).slice()
    let byMode = this.byMode.get(situation.modes)
    if (byMode?.length !== this.changing.length) {
      byMode = this.answersTo(situation.modes)
      this.byMode.set(situation.modes, byMode)
    }
    for (let n = 0; n < byMode.length; n++) out[this.changing[n]!] = byMode[n]!
    for (const i of this.banded) out[i] = this.answer(i)
    return out
  }

  /** The answers that depend on modes: those of every mode normal, but where a mode of this row is looked at. */
  private answersTo(modes: Situation['modes']): Uint8Array {
    if (this.atNormal.length !== this.changing.length) {
      this.modes = {}
      this.atNormal = Uint8Array.from(this.changing, (i) => this.answer(i))
      this.modes = modes
    }
    const out = this.atNormal.slice()
    for (const ref of Object.keys(modes) as Ref[])
      for (const n of this.ofMode.get(ref) ?? []) out[n] = this.answer(this.changing[n]!)
    for (const n of this.ofConditions) out[n] = this.answer(this.changing[n]!)
    return out
  }

  /** The answers with every mode normal; `this.modes` is put back by whoever asks for more. */
  private steadyAt(situation: Pick<Situation, 'call' | 'outdoorF'>): Uint8Array {
    const { call, outdoorF } = situation
    const { last } = this
    if (last?.call === call && last.outdoorF === outdoorF && last.steady.length === this.leaves.length)
      return last.steady
    for (const context of this.contexts.values()) {
      context.call = call
      context.outdoorF = outdoorF
    }
    const key = `${call} ${outdoorF}`
    let steady = this.steady.get(key)
    if (steady?.length !== this.leaves.length) {
      const { modes } = this
      this.modes = {}
      steady = Uint8Array.from(this.leaves, ({ context, leaf }) => LEVEL[evaluateLeaf(leaf, context)])
      this.steady.set(key, steady)
      this.modes = modes
    }
    this.last = { call, outdoorF, steady }
    return steady
  }

  /**
   * Two temperatures with the same key answer every driver alike in this call, whatever the modes: inside a differential
   * the answer is the memory's, which is a mode, and the key says that it is.
   */
  temperatureClass(situation: Pick<Situation, 'call' | 'outdoorF'>): string {
    return this.steadyAt(situation).join('')
  }

  private answer(i: number): Level {
    const { context, leaf } = this.leaves[i]!
    return LEVEL[evaluateLeaf(leaf, context)]
  }

  /** For each leaf, the contacts whose drivers look at it. */
  readonly watchers: number[][] = []
  /** For each coil that moves a contact, those contacts. */
  readonly coilWatchers = new Map<number, number[]>()
  /** Compiles the driver of one contact, and notes what it looks at. */
  contact(number: number, placed: Placed, expr: Expr): Driver {
    this.now = number
    const driver = this.compile(placed, expr)
    return typeof driver === 'number' ? () => driver : driver
  }
  private now = -1

  private readonly steady = new Map<string, Uint8Array>()
  /** The call and temperature that the contexts stand at: a sweep asks for thousands of rows of one. */
  private last: { call: Call; outdoorF: number; steady: Uint8Array } | null = null
  /** Leaves that look at modes alone; and those that look at a temperature and at what a switch did last. */
  private readonly changing: number[] = []
  /** Index numbers of the drivers that read a mode directly, and of those that read a combination of modes. */
  private readonly ofMode = new Map<Ref, number[]>()
  private readonly ofConditions: number[] = []
  private atNormal = new Uint8Array()
  private readonly banded: number[] = []
  /** Rows of modes are shared by many calls and temperatures. */
  private readonly byMode = new WeakMap<Situation['modes'], Uint8Array>()
  private modes: Situation['modes'] = {}

  private readonly modeAt: ReadonlyMap<Ref, Mode>
  private meant: { modes: Situation['modes']; condition: ReadonlySet<ModeCondition> } | null = null
  private conditionsNow(): ReadonlySet<ModeCondition> {
    if (this.meant?.modes !== this.modes)
      this.meant = {
        modes: this.modes,
        condition: conditionsOfModes(this.modes, (ref) => this.modeAt.get(ref)),
      }
    return this.meant.condition
  }

  private contextFor(placed: Placed): EvalContext {
    let context = this.contexts.get(placed)
    if (!context) {
      const names = new Map<string, Ref>()
      const normal = new Map(placed.device.modes.map((m) => [m.id, normalState(m)]))
      const named = (id: string): string | undefined => {
        let ref = names.get(id)
        if (ref === undefined) names.set(id, (ref = makeRef(placed.ref, id)))
        return this.modes[ref]
      }
      const bare = evalContextOf(this.inst, placed, { call: 'off', outdoorF: degF(0), modes: {} })
      context = {
        ...bare,
        mode: (id) => named(id) ?? normal.get(id) ?? '',
        memory: (id) => memoryState(named(id)),
        condition: (m) => canFeel(placed, m) && this.conditionsNow().has(m),
      }
      this.contexts.set(placed, context)
    }
    return context
  }

  private leafIndex(placed: Placed, leaf: Leaf): number {
    const key = placed.ref + JSON.stringify(leaf)
    let i = this.byKey.get(key)
    if (i === undefined) {
      i = this.leaves.length
      this.leaves.push({ context: this.contextFor(placed), leaf })
      if ('mode' in leaf) {
        const ref = makeRef(placed.ref, leaf.mode)
        this.ofMode.set(ref, [...(this.ofMode.get(ref) ?? []), this.changing.push(i) - 1])
      } else if ('condition' in leaf) this.ofConditions.push(this.changing.push(i) - 1)
      else if ('sense' in leaf && (leaf.band ?? 0) > 0) this.banded.push(i)
      this.watchers.push([])
      this.byKey.set(key, i)
    }
    if (!this.watchers[i]!.includes(this.now)) this.watchers[i]!.push(this.now)
    return i
  }
}
