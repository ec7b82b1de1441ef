/** Names a terminal, part or mode of a placed device ("ah.W1"), or a wire ("wires.w07"). */
export type Ref = string

/** The placed device (or "wires") and the local name. */
export function splitRef(ref: Ref): { placed: string; id: string } {
  const dot = ref.indexOf('.')
  return dot < 0 ? { placed: ref, id: '' } : { placed: ref.slice(0, dot), id: ref.slice(dot + 1) }
}
export const makeRef = (placed: string, id: string): Ref => `${placed}.${id}`
export const wireRef = (wire: string): Ref => `wires.${wire}`
