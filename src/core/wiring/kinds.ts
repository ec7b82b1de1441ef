import type { TerminalRole, Trait } from '../equipment'
import { having } from '../query'
import { makeRef, settingValue, type Installation, type Placed, type Ref } from '../installation'

/** The first placed device of a kind with one of these traits. */
export const firstWith = (inst: Installation, ...traits: Trait[]): Placed | undefined =>
  having(inst, ...traits)[0]

/** The first low-voltage terminal with one of these roles, looked for in the order given. */
export function term(placed: Placed | undefined, ...roles: TerminalRole[]): Ref | undefined {
  for (const role of roles) {
    const t = placed?.device.terminals.find((x) => x.side === 'low' && x.role === role)
    if (placed && t) return makeRef(placed.ref, t.id)
  }
  return undefined
}

/** All low-voltage terminals with this role. */
export const terms = (placed: Placed | undefined, role: TerminalRole): Ref[] =>
  placed
    ? placed.device.terminals
        .filter((t) => t.side === 'low' && t.role === role)
        .map((t) => makeRef(placed.ref, t.id))
    : []

/** A device's location, or its own name where none is entered. */
export const placeOfDevice = (placed: Placed | undefined, ref: string): string => placed?.where ?? ref

/** Value of the setting that decides this, and its id; undefined where the device has none. */
export function decided(placed: Placed | undefined, intent: string) {
  const def = placed?.device.settings.find((s) => s.intent === intent)
  return placed && def ? { id: def.id, value: settingValue(placed, def.id) } : undefined
}
