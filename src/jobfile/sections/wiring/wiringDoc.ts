import type { Cable, Wire } from '@/core/installation'

/** Cables, their conductors, and jumpers. */
export interface WiringDoc {
  cables: Cable[]
  wires: Wire[]
}
