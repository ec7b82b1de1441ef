import { nth } from '../assert'
import { standsAt, GROUND, type Solution } from '../circuit'
import type { Ref } from '../installation'
import {
  familyOf,
  isOnCaller,
  isRelayCoil,
  kindAt,
  leadsACall,
  SWITCHES,
  terminalAt,
  type Families,
  type Output,
} from './calls'
import { tiedTo } from './layout'
import { polesOf } from './poles'

/**
 * Of a relay that a call has pulled in, and whose contact is on the way, the terminal that nothing feeds: the call has come as far
 * as it goes.
 * @param around nodes that closed contacts tie to the coil's ends, those nearest to it first
 */
export function dryRelay(
  solution: Solution,
  outputs: readonly Output[],
  around: readonly number[],
): Ref | null {
  const { nodes } = solution.circuit.net
  for (const { a, b } of relayContacts(solution, outputs)) {
    const [atA, atB] = [around.indexOf(a), around.indexOf(b)]
    if (atA >= 0 && atB >= 0) return nth(nodes, atA > atB ? a : b)
  }
  return null
}

/** Of a relay that a call has pulled in and whose one side is fed, the other side: there the call's volts stand. */
export function relayOut(solution: Solution, outputs: readonly Output[]): Ref | null {
  const { nodes } = solution.circuit.net
  const hots = polesOf(solution).map((p) => p.hot)
  for (const { a, b, index } of relayContacts(solution, outputs)) {
    const isFed = (n: number) => {
      const tied = tiedTo(solution, n, (i) => i !== index && standsAt(solution.state, i) === 2)
      return hots.some((h) => tied.has(h))
    }
    const [fedA, fedB] = [isFed(a), isFed(b)]
    if (fedA === fedB) continue
    const [fed, out] = fedA ? [a, b] : [b, a]
    // One that goes on to another kind of input, or whose other throw goes on, is another call's relay.
    if (goesOnFor(solution, out, outputs) && !hasOtherThrow(solution, fed, out)) return nth(nodes, out)
  }
  return null
}

/** The closed contacts of relays that a call has pulled in. */
function relayContacts(
  solution: Solution,
  outputs: readonly Output[],
): { a: number; b: number; index: number }[] {
  const { contacts, loads } = solution.circuit.net
  const leads = (i: number) => standsAt(solution.state, i) === 2 && leadsACall(solution, i)
  const called = outputs.flatMap((o) => [...tiedTo(solution, o.node, leads)])
  const relays = loads
    .filter(
      (l) =>
        solution.energised(l.ref) && [l.a, l.b].some((n) => called.includes(n) && isRelayCoil(solution, n)),
    )
    .map((l) => l.placed.ref)
  return contacts.flatMap((c, index) =>
    relays.includes(c.placed.ref) && standsAt(solution.state, index) === 2 ? [{ a: c.a, b: c.b, index }] : [],
  )
}

/** Whether the coil of a relay hangs on outputs of other calls alone. */
export function isOthersRelay(solution: Solution, relay: string, families: Families): boolean {
  if (families === null) return false
  const coils = solution.circuit.net.loads.filter((l) => l.placed.ref === relay)
  const landed = coils
    .flatMap((l) => [l.a, l.b])
    .filter((n) => n !== GROUND)
    .flatMap((n) => [...tiedTo(solution, n, () => false)])
  const calls = landed.flatMap((n) => {
    const at = terminalAt(solution, n)
    const family = familyOf(at?.role)
    return at && family >= 0 && isOnCaller(solution, at.ref) ? [family] : []
  })
  return calls.length > 0 && !calls.some((family) => families.includes(family))
}

/** Whether what is landed on a relay's throw is its call's: terminals of its kind, or parts that only switch. */
function goesOnFor(solution: Solution, out: number, outputs: readonly Output[]): boolean {
  return [...tiedTo(solution, out, () => false)].every((n) => {
    const at = terminalAt(solution, n)
    if (!at) return true
    const family = familyOf(at.role)
    const kind = kindAt(solution, at.ref)
    return family < 0
      ? kind === 'splice' || SWITCHES.some((k) => k === kind)
      : outputs.some((o) => o.family === family)
  })
}

/** Whether the other throw of a relay's contact leads somewhere. */
const hasOtherThrow = (solution: Solution, common: number, out: number): boolean =>
  solution.circuit.net.contacts.some(({ a, b }) => {
    const other = a === common ? b : b === common ? a : out
    return other !== out && tiedTo(solution, other, () => false).size > 1
  })
