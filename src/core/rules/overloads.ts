import { across, GROUND, type Circuit, type Overcurrent, type Settled } from '../circuit'
import { asAmps, type Amps } from '../units'

/** Too much current, and what all loads on its side of the transformers draw just then. */
export interface Overload extends Overcurrent {
  loadA: Amps
}

/** Times its fuse or breaker from which on a conductor carries a short; and what a meter's error leaves of the loads' own amps. */
const [SHORT_SHARE, LOAD_SHARE] = [2, 1.1]

/** The one of the greatest size, the first of equals; null where there is none. */
export const worstCase = <T>(list: readonly T[], size: (of: T) => number): T | null =>
  list.reduce<T | null>((a, b) => (a !== null && size(a) >= size(b) ? a : b), null)

/** Whether it is a short, and not more load than it is made for. */
export const isShort = ({ amps, limitA, loadA }: Overload): boolean =>
  amps >= SHORT_SHARE * limitA && amps > LOAD_SHARE * loadA

/** The same overcurrents with what the loads of a state draw; a transformer's are those of its secondary. */
export function withLoads(circuit: Circuit, { volts }: Settled, found: readonly Overcurrent[]): Overload[] {
  if (!found.length) return []
  const { contacts, loads } = circuit.net
  const secondary = circuit.cache.once(lowNodes)
  const isLow = ({ a, b }: { a: number; b: number }) => secondary.has(a) || secondary.has(b)
  const drawn = (low: boolean) =>
    loads.reduce(
      (sum, l) => (isLow(l) === low ? sum + across(volts, l.a, l.b) * Math.hypot(l.re, l.im) : sum),
      0,
    )
  return found.map((o) => {
    const contact = contacts.find((c) => c.ref === o.ref)
    return { ...o, loadA: asAmps(drawn(contact === undefined || isLow(contact))) }
  })
}

/** Every node that conductors and contacts, open ones too, join to a secondary; earth left out. */
function lowNodes({ net }: Circuit): Set<number> {
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
