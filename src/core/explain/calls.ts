import { nth } from '../assert'
import { GROUND, type Solution } from '../circuit'
import { rolesOf, type Device, type DeviceKind, type Terminal, type TerminalRole } from '../equipment'
import { placedByRef, splitRef, type Ref } from '../installation'
import { layoutOf } from './layout'

/** Terminals that stand for one thing called: an output of one of them belongs on an input of another. */
export const FAMILIES: readonly (readonly TerminalRole[])[] = (
  ['backup', 'compressor', 'secondStage', 'fan', 'valve'] as const
).map(rolesOf)
/** Kinds of calls, by their places in `FAMILIES`, that one thing may be meant for; null: any. */
export type Families = readonly number[] | null

/** What a caller closes towards a terminal of a family. */
export interface Output {
  node: number
  ref: Ref
  family: number
}

/** Devices that a call's wire passes through. */
export const SWITCHES: readonly DeviceKind[] = [
  'outdoorThermostat',
  'airThermostat',
  'floatSwitch',
  'leakSensor',
  'lineMonitor',
  'relay',
]
export const familyOf = (role: TerminalRole | undefined): number =>
  role === undefined ? -1 : FAMILIES.findIndex((f) => f.includes(role))

/** What a node is as a terminal; undefined for points inside a device. */
export function terminalAt(solution: Solution, node: number): { ref: Ref; role: TerminalRole } | undefined {
  const role = node === GROUND ? undefined : layoutOf(solution).roles[node]
  return role && { ref: nth(solution.circuit.net.nodes, node), role }
}

export const kindAt = (solution: Solution, ref: Ref): DeviceKind | undefined =>
  placedByRef(solution.circuit.inst, splitRef(ref).placed)?.device.kind

/** What calls: a thermostat, and what passes its calls on. */
export const CALLERS: readonly DeviceKind[] = ['zonePanel', 'fuelKit', 'thermostat']

/** Whether a terminal belongs to one of them. */
export const isOnCaller = (solution: Solution, ref: Ref): boolean =>
  CALLERS.some((kind) => kind === kindAt(solution, ref))

export const isCaller = (solution: Solution, contact: number): boolean =>
  CALLERS.includes(nth(solution.circuit.net.contacts, contact).placed.device.kind)

/** Whether a call goes on over a contact: not back through a caller, nor over one that puts R on something. */
export function leadsACall(solution: Solution, contact: number): boolean {
  const { a, b } = nth(solution.circuit.net.contacts, contact)
  return !isCaller(solution, contact) && [a, b].every((n) => terminalAt(solution, n)?.role !== 'R')
}

/** A kit's leads, and a board's outputs for them, in the order of their rows. */
export const harnessOf = (device: Device): Terminal[] =>
  device.terminals.filter((t) => t.side === 'low' && t.role === 'harness')

/** Whether a terminal is a relay's own coil: whatever call is landed there, it is what the relay is for. */
export function isRelayCoil(solution: Solution, node: number): boolean {
  const at = terminalAt(solution, node)
  return (
    at?.role === 'switch' &&
    kindAt(solution, at.ref) === 'relay' &&
    solution.circuit.net.loads.some((l) => l.a === node || l.b === node)
  )
}

/** Whose terminals of a family are none that a call goes to: a thermostat's call, an outdoor unit's W sends. */
export const isOutput = (kind: DeviceKind | undefined, family: number): boolean =>
  kind === 'thermostat' || (kind === 'outdoorUnit' && family === 0)
