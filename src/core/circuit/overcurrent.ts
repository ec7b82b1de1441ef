import { asAmps, type Amps } from '../units'
import type { Ref } from '../installation'
import type { Complexes } from './elimination'
import { across, GROUND, type Netlist, type TransformerBranch } from './netlist'

/** More current through a fuse, breaker or transformer than it is made for. */
export interface Overcurrent {
  ref: Ref
  amps: Amps
  limitA: Amps
  /** What all loads on its side of the transformers draw just then: where they explain the current it is no short. */
  loadA: Amps
}

/** Node volts, and which contacts are closed. */
export interface Rest {
  volts: Complexes
  closed: Uint8Array
}

/** Volts over the secondary's resistance, one part of the complex number. */
function drop(t: TransformerBranch, v: Float64Array): number {
  const primary = (t.a === GROUND ? 0 : v[t.a]!) - (t.b === GROUND ? 0 : v[t.b]!)
  const secondary = (t.c === GROUND ? 0 : v[t.c]!) - (t.d === GROUND ? 0 : v[t.d]!)
  return t.ratio * primary - secondary
}

/** Amps (magnitude) of a transformer's secondary. */
export function transformerAmps(t: TransformerBranch, s: Pick<Rest, 'volts'>): Amps {
  const re = drop(t, s.volts.re)
  const im = drop(t, s.volts.im)
  return asAmps(t.siemens * Math.sqrt(re * re + im * im))
}

/** Fuses, breakers and transformers that carry more than they are made for; a transformer: twice its rated amps. */
export function overcurrents(net: Netlist, s: Rest): Overcurrent[] {
  const found: Omit<Overcurrent, 'loadA'>[] = []
  const low = new Set<Ref>()
  for (const i of net.rated) {
    if (!s.closed[i]) continue
    const c = net.contacts[i]!
    const amps = asAmps(across(s.volts, c.a, c.b) * c.re)
    const limitA = asAmps(c.ratedA!)
    if (amps > limitA) found.push({ ref: c.ref, amps, limitA })
  }
  for (const t of net.transformers) {
    const amps = transformerAmps(t, s)
    const limitA = asAmps(2 * t.ratedA)
    if (amps > limitA) {
      found.push({ ref: t.ref, amps, limitA })
      low.add(t.ref)
    }
  }
  return found.length ? withLoads(net, s, found, low) : []
}

/** @param low transformers among them, whose amps are those of the secondary */
function withLoads(
  net: Netlist,
  s: Rest,
  found: Omit<Overcurrent, 'loadA'>[],
  low: ReadonlySet<Ref>,
): Overcurrent[] {
  const secondary = lowNodes(net)
  const isLow = ({ a, b }: { a: number; b: number }) => secondary.has(a) || secondary.has(b)
  const drawn = (side: boolean) =>
    asAmps(
      net.loads.reduce(
        (sum, l) => (isLow(l) === side ? sum + across(s.volts, l.a, l.b) * Math.hypot(l.re, l.im) : sum),
        0,
      ),
    )
  const [lowA, lineA] = [drawn(true), drawn(false)]
  return found.map((o) => {
    const contact = net.contacts.find((c) => c.ref === o.ref)
    return { ...o, loadA: low.has(o.ref) || (contact && isLow(contact)) ? lowA : lineA }
  })
}

/** Every node that conductors and contacts, open ones too, join to a secondary; earth left out. */
function lowNodes(net: Netlist): Set<number> {
  const around = new Map<number, number[]>()
  for (const { a, b } of [...net.conductors, ...net.contacts]) {
    if (a === GROUND || b === GROUND) continue
    around.set(a, [...(around.get(a) ?? []), b])
    around.set(b, [...(around.get(b) ?? []), a])
  }
  const found = new Set(net.transformers.flatMap((t) => [t.c, t.d]).filter((n) => n !== GROUND))
  // A set is walked in the order in which it grows.
  for (const node of found) for (const next of around.get(node) ?? []) found.add(next)
  return found
}
