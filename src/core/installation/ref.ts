import type { EARTH } from '../equipment'

/** Names a terminal, part, setting or mode of a placed device ("ah.W1"), or a wire ("wires.w07"). */
export type Ref = `${string}.${string}`

/** A place for a meter's lead: a terminal or earth. */
export type Point = Ref | typeof EARTH

/** Names anything of a job: a placed device ("ah") or what a `Ref` names. */
export type Name = string

/** Whether a name is that of something on a device, and not of the device itself. */
export const isRef = (name: Name): name is Ref => name.includes('.')

/** The placed device (or "wires") and the local name, which a device's own name lacks. */
export function splitRef(name: Name): { placed: string; id: string } {
  const dot = name.indexOf('.')
  return dot < 0 ? { placed: name, id: '' } : { placed: name.slice(0, dot), id: name.slice(dot + 1) }
}
export const makeRef = (placed: string, id: string): Ref => `${placed}.${id}`
export const wireRef = (wire: string): Ref => `wires.${wire}`
