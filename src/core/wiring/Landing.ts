import { hasTrait } from '../equipment'
import {
  makeRef,
  splitRef,
  terminalOf,
  type Installation,
  type Placed,
  type Ref,
  type Wire,
} from '../installation'
import { isCopper, JoinedRefs } from '../query'
import type { Net } from './net'

/** A conductor with both ends on terminals. */
export type LandedWire = Wire & { a: Ref; b: Ref }
export const isLandedWire = (w: Wire): w is LandedWire => w.a !== null && w.b !== null

/** The conductors of a job as found, compared with the nets that should exist. */
export class Landing {
  /** Conductors that join two nets, or a net with a terminal that belongs to none. */
  readonly wrong: LandedWire[] = []
  /** Conductors with an end on a device that the nets do not know: nobody says whether they are right. */
  readonly unknown: readonly LandedWire[]
  private readonly intended = new JoinedRefs()
  private readonly found = new JoinedRefs()
  private readonly inNet: ReadonlySet<Ref>

  constructor(
    readonly inst: Installation,
    readonly nets: readonly Net[],
  ) {
    for (const joined of [this.intended, this.found])
      for (const p of inst.placed)
        for (const part of p.device.parts)
          if (isCopper(part)) joined.join(makeRef(p.ref, part.a), makeRef(p.ref, part.b))
    for (const { points } of nets)
      for (const p of points) {
        const first = points[0]
        if (first) this.intended.join(p, first)
      }
    this.inNet = new Set(nets.flatMap((n) => n.points.slice(0, 1)).map((p) => this.intended.of(p)))
    const known = new Set(nets.flatMap((n) => n.points.map((p) => splitRef(p).placed)))
    const others = inst.placed.filter((p) => !known.has(p.ref) && !hasTrait(p.device, 'joinsWires'))
    const isOther = (ref: Ref) => others.some((p) => p.ref === splitRef(ref).placed)
    const landed = inst.wires.filter((w): w is LandedWire => isLandedWire(w) && !this.isGround(w))
    const judged = landed.filter((w) => !isOther(w.a) && !isOther(w.b))
    this.adoptSplices(judged)
    for (const w of judged)
      if (this.netOf(w.a) === this.netOf(w.b)) this.found.join(w.a, w.b)
      else this.wrong.push(w)
    this.unknown = landed.filter((w) => !judged.includes(w))
    this.joinThrough(others, isOther)
  }

  /** The net that a terminal belongs to; null: none. */
  netOf(ref: Ref): Ref | null {
    const name = this.intended.of(ref)
    return this.inNet.has(name) ? name : null
  }

  /** Name of the group of terminals that right conductors join to this one. */
  groupOf(ref: Ref): Ref {
    return this.found.of(ref)
  }

  /** Takes a further connection as made. */
  connect(a: Ref, b: Ref): void {
    this.found.join(a, b)
  }

  /** The terminals of each net, splices included, by the name of the net. */
  members(): Map<Ref, Ref[]> {
    const out = new Map<Ref, Ref[]>()
    const add = (ref: Ref) => {
      const net = this.netOf(ref)
      if (net === null) return
      const list = out.get(net) ?? []
      if (!list.includes(ref)) list.push(ref)
      out.set(net, list)
    }
    for (const n of this.nets) n.points.forEach(add)
    for (const w of this.inst.wires) for (const ref of [w.a, w.b]) if (ref) add(ref)
    return out
  }

  private isGround({ a, b }: LandedWire): boolean {
    return [a, b].every((r) => terminalOf(this.inst, r)?.terminal.role === 'ground')
  }

  /** A splice belongs to the net that most of its conductors come from; of two, to the one that is in pieces without it. */
  private adoptSplices(landed: readonly LandedWire[]): void {
    const splices = this.inst.placed.filter((p) => hasTrait(p.device, 'joinsWires'))
    if (!splices.length) return
    const points = splices.flatMap((p) => p.device.terminals.map((t) => makeRef(p.ref, t.id)))
    const farFrom = (point: Ref) =>
      landed.flatMap((w) => (w.a === point ? [w.b] : w.b === point ? [w.a] : [])).filter((r) => this.netOf(r))
    const netsAt = (point: Ref) => new Set(farFrom(point).map((r) => this.netOf(r)))
    const isClear = (point: Ref) => netsAt(point).size === 1
    // Clear splices come first: they show which nets are whole, and on which devices conductors are wrong.
    for (const point of [...points.filter(isClear), ...points.filter((p) => !isClear(p))]) {
      const far = farFrom(point)
      const ranked = far.map((ref) => {
        const net = this.netOf(ref) ?? ref
        const alike = far.filter((r) => this.netOf(r) === net).length
        const { placed } = splitRef(ref)
        return {
          net,
          rank: isClear(point)
            ? 0
            : 100 * alike + 10 * this.pieces(net, landed) - this.wrongOn(placed, landed),
        }
      })
      const [best] = ranked.sort((x, y) => y.rank - x.rank)
      if (best) this.intended.join(point, best.net)
    }
  }

  /** How many conductors on a device join two nets. */
  private wrongOn(placed: string, landed: readonly LandedWire[]): number {
    return landed.filter((w) => {
      const nets = [this.netOf(w.a), this.netOf(w.b)]
      return (
        [w.a, w.b].some((r) => splitRef(r).placed === placed) && !nets.includes(null) && nets[0] !== nets[1]
      )
    }).length
  }

  /** Into how many pieces a net falls by the conductors that are in it. */
  private pieces(net: Ref, landed: readonly LandedWire[]): number {
    const joined = new JoinedRefs()
    for (const w of landed) if (this.netOf(w.a) === net && this.netOf(w.b) === net) joined.join(w.a, w.b)
    return new Set(
      this.members()
        .get(net)
        ?.map((r) => joined.of(r)),
    ).size
  }

  /**
   * Joins parts of a net that are connected through a device which the nets do not know. An added relay or switch in a
   * call's wire is part of the job, and no conductor is missing beside it.
   */
  private joinThrough(others: readonly Placed[], isOther: (ref: Ref) => boolean): void {
    const through = new JoinedRefs()
    for (const p of others)
      for (const part of p.device.parts)
        if (part.kind === 'contact' || part.kind === 'path')
          through.join(makeRef(p.ref, part.a), makeRef(p.ref, part.b))
    const reached = new Map<Ref, Ref[]>()
    for (const w of this.unknown)
      for (const [other, own] of [
        [w.a, w.b],
        [w.b, w.a],
      ] as const) {
        if (!isOther(other) || isOther(own)) continue
        const name = through.of(other)
        reached.set(name, [...(reached.get(name) ?? []), own])
      }
    for (const ends of reached.values())
      for (const one of ends)
        for (const two of ends) {
          const net = this.netOf(one)
          if (one !== two && net !== null && net === this.netOf(two)) this.connect(one, two)
        }
  }
}
