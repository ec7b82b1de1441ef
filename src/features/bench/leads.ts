import { makeRef, type Installation, type Point, type Ref } from '@/core/installation'

/** Positions of a meter's two leads, and which lead goes to the next point that is tapped. */
export interface Leads {
  red: Point
  black: Point
  next: 'red' | 'black'
}

/** The lead whose turn it is goes to the tapped point; a lead tapped where it is changes places with the other. */
export function tapped(leads: Leads, at: Point): Leads {
  if (at === leads.red || at === leads.black) return { ...leads, red: leads.black, black: leads.red }
  return leads.next === 'red' ? { ...leads, red: at, next: 'black' } : { ...leads, black: at, next: 'red' }
}

/** Every point that a lead can touch. */
export const pointsOf = (inst: Installation): Ref[] =>
  inst.placed.flatMap((p) => p.device.terminals.map((t) => makeRef(p.ref, t.id)))
