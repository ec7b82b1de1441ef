import type { Point } from '@/core/installation'

/** Where a meter's two leads are, and which goes to the next point that is tapped. */
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
