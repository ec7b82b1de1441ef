import type { Ref } from '../installation'
import type { Complexes } from './elimination'
import { across, GROUND, type Netlist, type TransformerBranch } from './netlist'

/** More current through a fuse, breaker or transformer than it is made for. */
export interface Overcurrent {
  ref: Ref
  amps: number
  limitA: number
}

/** Node volts, and which contacts are closed. */
export interface Rest {
  volts: Complexes
  closed: Uint8Array
}

/** Amps (magnitude) of a transformer's secondary. */
export function transformerAmps(t: TransformerBranch, s: Pick<Rest, 'volts'>): number {
  const v = (n: number, part: 're' | 'im') => (n === GROUND ? 0 : s.volts[part][n]!)
  const drop = (p: 're' | 'im') => t.ratio * (v(t.a, p) - v(t.b, p)) - (v(t.c, p) - v(t.d, p))
  return t.siemens * Math.hypot(drop('re'), drop('im'))
}

/** Fuses, breakers and transformers that carry more than they are made for; a transformer: twice its rated amps. */
export function overcurrents(net: Netlist, s: Rest): Overcurrent[] {
  const found: Overcurrent[] = []
  net.contacts.forEach((c, i) => {
    if (c.ratedA === null || !s.closed[i]) return
    const amps = across(s.volts, c.a, c.b) * Math.hypot(c.re, c.im)
    if (amps > c.ratedA) found.push({ ref: c.ref, amps, limitA: c.ratedA })
  })
  for (const t of net.transformers) {
    const amps = transformerAmps(t, s)
    if (amps > 2 * t.ratedA) found.push({ ref: t.ref, amps, limitA: 2 * t.ratedA })
  }
  return found
}
