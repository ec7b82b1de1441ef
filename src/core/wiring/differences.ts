import { nth } from '../assert'
import { roleRow } from '../equipment'
import { placedByRef, splitRef, terminalOf, type Installation, type Ref } from '../installation'
import { placeOfDevice } from './kinds'
import type { Landing } from './Landing'
import { isLandedWire, type LandedWire } from './Landing'
import type { Net } from './net'

/** A difference between a job's conductors and the nets that should exist. */
export type Difference =
  /** Two terminals of a net that nothing joins; `from` is nearer to the sender of the call. */
  | { kind: 'missing'; from: Ref; to: Ref }
  /** A conductor has an end on another terminal than it should be; `joins`: what it should join, the sender first. */
  | { kind: 'moved'; wire: LandedWire; end: 'a' | 'b'; from: Ref; to: Ref; joins: [Ref, Ref] }
  /** Two conductors with their ends exchanged: the ends that changed places, and where each conductor comes from. */
  | { kind: 'crossed'; one: LandedWire; other: LandedWire; ends: ['a' | 'b', 'a' | 'b'] }
  /** A conductor that joins what should be apart. */
  | { kind: 'extra'; wire: LandedWire }

const ENDS = ['a', 'b'] as const
const farEnd = (end: 'a' | 'b') => (end === 'a' ? 'b' : 'a')

/** How many conductors are wrong or not known to the nets, and how many connections are missing: how well a job fits nets. */
export function misfits(landing: Landing): number {
  let count = landing.wrong.length + landing.unknown.length
  for (const refs of landing.members().values())
    count += new Set(refs.map((r) => landing.groupOf(r))).size - 1
  return count
}

/**
 * The differences between a job's conductors and the nets that should exist. Two conductors that only have to change places
 * are one difference; so is one that has to move one end. Conductors between terminals of no net are not looked at. The
 * landing takes each connection that is found as made, so it is asked once.
 */
export function differencesOf(landing: Landing): Difference[] {
  const { inst, nets } = landing
  const open = new Set(landing.wrong)
  const out: Difference[] = []
  const isRight = (a: Ref, b: Ref) => landing.netOf(a) !== null && landing.netOf(a) === landing.netOf(b)
  const isNeeded = (a: Ref, b: Ref) => isRight(a, b) && landing.groupOf(a) !== landing.groupOf(b)
  for (const one of landing.wrong)
    for (const other of landing.wrong) {
      if (one.id >= other.id || !open.has(one) || !open.has(other)) continue
      const ends = exchange(inst, one, other, isRight, isNeeded)
      if (!ends) continue
      out.push({ kind: 'crossed', one, other, ends })
      open.delete(one)
      open.delete(other)
      landing.connect(one[farEnd(ends[0])], other[ends[1]])
      landing.connect(other[farEnd(ends[1])], one[ends[0]])
    }
  const members = landing.members()
  for (const wire of open) {
    const move = ENDS.flatMap((end) => {
      const stays = wire[farEnd(end)]
      const net = landing.netOf(stays)
      const near = net === null ? [] : (members.get(net) ?? []).filter((r) => isNeeded(stays, r))
      const rank = (to: Ref) =>
        distance(inst, wire[end], to) + (inOneRow(nets, stays, to) ? 0 : isBare(inst, to) ? 0.25 : 0.5)
      const [best] = near.map((to) => ({ end, to, far: rank(to) })).sort((x, y) => x.far - y.far)
      return best && best.far < FAR ? [best] : []
    }).sort((x, y) => x.far - y.far)[0]
    if (move) {
      const [stays, { end, to }] = [wire[farEnd(move.end)], move]
      const order = members.get(landing.netOf(to) ?? to) ?? []
      const joins: [Ref, Ref] = order.indexOf(stays) < order.indexOf(to) ? [stays, to] : [to, stays]
      out.push({ kind: 'moved', wire, end, from: wire[end], to, joins })
      landing.connect(stays, to)
    } else out.push({ kind: 'extra', wire })
  }
  return [...out, ...missingIn(landing, members)]
}

/** The ends by which two conductors exchange places so that both are right, one of them at least needed; null: none. */
function exchange(
  inst: Installation,
  one: LandedWire,
  other: LandedWire,
  isRight: (a: Ref, b: Ref) => boolean,
  isNeeded: (a: Ref, b: Ref) => boolean,
): ['a' | 'b', 'a' | 'b'] | null {
  const pairs = ENDS.flatMap((e) => ENDS.map((f) => [e, f] as ['a' | 'b', 'a' | 'b']))
  const fits = pairs.filter(([e, f]) => {
    const [stay, far] = [one[farEnd(e)], other[farEnd(f)]]
    return (
      isRight(stay, other[f]) &&
      isRight(far, one[e]) &&
      (isNeeded(stay, other[f]) || isNeeded(far, one[e])) &&
      distance(inst, one[e], other[f]) < FAR
    )
  })
  // They were crossed at the end where their colors are not what custom gives the terminals.
  const custom = (wire: LandedWire, at: Ref) => {
    const role = terminalOf(inst, at)?.terminal.role
    return role && roleRow(role).colours?.includes(wire.colour) ? 1 : 0
  }
  const rank = ([e, f]: ['a' | 'b', 'a' | 'b']) =>
    4 * distance(inst, one[e], other[f]) - custom(one, one[farEnd(e)]) - custom(other, other[farEnd(f)])
  return fits.sort((x, y) => rank(x) - rank(y))[0] ?? null
}

/**
 * Connections that nets lack, each named by the two terminals that a conductor would be landed on: the shortest first, so
 * that a jumper is named before a further conductor of a cable.
 */
function missingIn(landing: Landing, members: ReadonlyMap<Ref, readonly Ref[]>): Difference[] {
  const { inst, nets } = landing
  const pairs = nets.flatMap(({ points }) => points.slice(1).map((q, i) => [nth(points, i), q] as const))
  const between = (p: Ref, q: Ref) => {
    const all = members.get(landing.netOf(p) ?? p) ?? []
    const beside = (r: Ref) => all.filter((x) => landing.groupOf(x) === landing.groupOf(r))
    // A conductor lies between the row's own terminals, unless a splice is there for it or no cable joins their places.
    const rank = (from: Ref, to: Ref) => {
      const own = [from === p, to === q]
      const far = distance(inst, from, to)
      const splices = [from, to].filter((r) => terminalOf(inst, r)?.terminal.role === 'splice').length
      return (
        (own.every(Boolean) ? far : Math.max(1, far)) + 0.5 * own.filter((x) => !x).length - 0.75 * splices
      )
    }
    return beside(p)
      .flatMap((from) => beside(q).map((to) => ({ p, q, from, to, rank: rank(from, to) })))
      .sort((x, y) => x.rank - y.rank)
      .slice(0, 1)
  }
  const open = pairs
    .filter(([p, q]) => landing.groupOf(p) !== landing.groupOf(q))
    .flatMap(([p, q]) => between(p, q))
    .sort((x, y) => x.rank - y.rank)
  return open.flatMap(({ p, q, from, to }): Difference[] => {
    if (landing.groupOf(p) === landing.groupOf(q)) return []
    landing.connect(p, q)
    return [{ kind: 'missing', from, to }]
  })
}

/** Whether two terminals are named in one row of the nets. */
const inOneRow = (nets: readonly Net[], a: Ref, b: Ref): boolean =>
  nets.some(({ points }) => points.includes(a) && points.includes(b))

/** Whether no conductor is landed on a terminal. */
const isBare = (inst: Installation, ref: Ref): boolean => !inst.wires.some((w) => w.a === ref || w.b === ref)

const FAR = 3
/** How far apart two terminals are: 0 on one device, 1 by a cable or in one place, 2 in two places with a cable, else 3. */
function distance(inst: Installation, a: Ref, b: Ref): number {
  const [one, other] = [splitRef(a).placed, splitRef(b).placed]
  if (one === other) return 0
  const place = (ref: string) => placeOfDevice(placedByRef(inst, ref), ref)
  const joins = (x: string, y: string, of: (ref: string) => string) =>
    inst.cables.some((c) => (of(c.from) === x && of(c.to) === y) || (of(c.from) === y && of(c.to) === x))
  if (joins(one, other, (r) => r)) return 1
  if (place(one) === place(other)) return 1
  return joins(place(one), place(other), place) ? 2 : FAR
}

/** A job with some of its differences put right. */
export function withDifferences(inst: Installation, differences: readonly Difference[]): Installation {
  let wires = inst.wires
  const edit = (id: string, change: Partial<LandedWire>) => {
    wires = wires.map((w) => (w.id === id ? { ...w, ...change } : w))
  }
  for (const d of differences)
    switch (d.kind) {
      case 'missing':
        wires = [...wires, { id: joinName(d), cable: null, colour: 'white', a: d.from, b: d.to, feet: 1 }]
        break
      case 'moved':
        edit(d.wire.id, { [d.end]: d.to })
        break
      case 'crossed':
        edit(d.one.id, { [d.ends[0]]: d.other[d.ends[1]] })
        edit(d.other.id, { [d.ends[1]]: d.one[d.ends[0]] })
        break
      case 'extra':
        wires = wires.filter((w) => w.id !== d.wire.id)
        break
    }
  return { ...inst, wires: wires.filter((w) => !isLandedWire(w) || w.a !== w.b) }
}

/** Name of the conductor that stands for a connection that is missing. */
const joinName = ({ from, to }: { from: Ref; to: Ref }): string => `join ${from} ${to}`

/** Conductors of a job that a difference changes, or stands for. */
export const wiresOf = (d: Difference): string[] =>
  d.kind === 'missing' ? [joinName(d)] : d.kind === 'crossed' ? [d.one.id, d.other.id] : [d.wire.id]
