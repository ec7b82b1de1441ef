import { roleRow, type TerminalRole } from '@/core/equipment'
import { splitRef, terminalOf, type Installation, type Ref, type Wire } from '@/core/installation'
import type { Operation } from '@/jobfile'

/**
 * The technician's action with a conductor. One machine serves tap, click and keyboard: nothing → a terminal chosen →
 * landing from it (or moving one end of a conductor) → the other terminal chosen.
 */
export type Landing =
  | { step: 'none' }
  | { step: 'chosen'; terminal: Ref }
  | { step: 'landing'; from: Ref }
  | { step: 'moving'; wire: string; end: 'a' | 'b' }

/** Result of choosing a terminal, with the edit that it makes, if any. */
export function choose(
  inst: Installation,
  state: Landing,
  terminal: Ref,
  newId: () => string,
): { next: Landing; op: Operation | null } {
  switch (state.step) {
    case 'none':
      return { next: { step: 'chosen', terminal }, op: null }
    case 'chosen':
      return state.terminal === terminal
        ? { next: { step: 'landing', from: terminal }, op: null }
        : { next: { step: 'chosen', terminal }, op: null }
    case 'landing':
      if (state.from === terminal) return { next: { step: 'none' }, op: null }
      return { next: { step: 'chosen', terminal }, op: landOperation(inst, state.from, terminal, newId) }
    case 'moving':
      return {
        next: { step: 'chosen', terminal },
        op: { kind: 'landWire', wire: state.wire, end: state.end, terminal },
      }
  }
}

/** A spare conductor of the cable between the two places, or a new one beside it; on one place, a jumper. */
function landOperation(inst: Installation, from: Ref, to: Ref, newId: () => string): Operation {
  const cable = cableBetween(inst, from, to)
  const id = newId()
  if (!cable) {
    const wire: Wire = { id, cable: null, colour: 'white', a: from, b: to, feet: 1 }
    return { kind: 'addWire', wire }
  }
  const [a, b] = inPlaceOrder(inst, cable.from, from, to)
  return {
    kind: 'addWire',
    wire: { id, cable: cable.id, colour: spareOf(inst, cable.id)?.colour ?? 'grey', a, b },
  }
}

/** Which of two terminals is at the cable's own start. */
function inPlaceOrder(inst: Installation, start: string, one: Ref, two: Ref): [Ref, Ref] {
  const near = whereOf(inst, start)
  return whereOf(inst, splitRef(one).placed) === near ? [one, two] : [two, one]
}

const whereOf = (inst: Installation, placed: string): string =>
  inst.placed.find((p) => p.ref === placed)?.where ?? placed

/** The low-voltage cable that runs between the places of two terminals; null on one place. */
export function cableBetween(inst: Installation, a: Ref, b: Ref) {
  const [x, y] = [whereOf(inst, splitRef(a).placed), whereOf(inst, splitRef(b).placed)]
  if (x === y) return null
  return (
    inst.cables.find((c) => {
      if (c.kind !== 'low') return false
      const ends = [whereOf(inst, c.from), whereOf(inst, c.to)]
      return ends.includes(x) && ends.includes(y)
    }) ?? null
  )
}

/** A conductor of the cable that is landed at neither end. */
export const spareOf = (inst: Installation, cable: string): Wire | undefined =>
  inst.wires.find((w) => w.cable === cable && w.a === null && w.b === null)

/** Roles that join any conductor of a call: a splice, the ends of a switch. */
const JOINTS: readonly TerminalRole[] = ['splice', 'switch']

/** Whether a call's conductor may end at a terminal of this role without changing its purpose. */
const takes = (joint: TerminalRole, role: TerminalRole): boolean => {
  const { family, passesSwitch } = roleRow(role)
  if (joint === 'switch') return passesSwitch === true || JOINTS.includes(role)
  if (joint === 'harness') return family === 'backup'
  return (
    joint === 'splice' && role !== 'splice' && (family !== undefined || ['R', 'C', 'switch'].includes(role))
  )
}

/** Whether a technician would ever join these two; it raises targets, and never forbids the others. */
export function sensible(inst: Installation, from: Ref, to: Ref): boolean {
  const [a, b] = [terminalOf(inst, from)?.terminal.role, terminalOf(inst, to)?.terminal.role]
  if (!a || !b || from === to) return false
  const { family } = roleRow(a)
  return a === b || (family !== undefined && family === roleRow(b).family) || takes(a, b) || takes(b, a)
}

/** The terminals that a conductor's end could be moved to sensibly: those that suit its other end. */
export function sensibleFor(inst: Installation, state: Landing, to: Ref): boolean {
  if (state.step === 'landing') return sensible(inst, state.from, to)
  if (state.step !== 'moving') return false
  const wire = inst.wires.find((w) => w.id === state.wire)
  const other = wire?.[state.end === 'a' ? 'b' : 'a']
  return other ? sensible(inst, other, to) : true
}

/** Taking a spare into use is one edit at each end; this is the whole of it. */
export function landingOperations(inst: Installation, op: Operation): Operation[] {
  if (op.kind !== 'addWire' || op.wire.cable === null) return [op]
  const spare = spareOf(inst, op.wire.cable)
  if (!spare) return [op]
  return [
    { kind: 'landWire', wire: spare.id, end: 'a', terminal: op.wire.a },
    { kind: 'landWire', wire: spare.id, end: 'b', terminal: op.wire.b },
  ]
}
