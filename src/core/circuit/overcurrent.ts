import { asAmps, type Amps } from '../units'
import type { Ref } from '../installation'
import type { Complexes } from './elimination'
import { across, GROUND, type Netlist, type TransformerBranch } from './netlist'

/** More current through a fuse, breaker or transformer than it is made for. */
export interface Overcurrent {
  ref: Ref
  amps: Amps
  limitA: Amps
}

/** Node volts, and which contacts are closed. */
export interface Rest {
  volts: Complexes
  closed: Uint8Array
}

/** Volts over the secondary's resistance, one part of the complex number. */
function drop(t: TransformerBranch, v: Float64Array): number {
  const primary = (t.a === GROUND ? 0 : v[t.a]!) - (t.b === GROUND ? 0 : v[t.b]!)
  const secondary = (t.c === GROUND ? 0 : v[t.c]!) - (t.d === GROUND ? 0 : v[t.d]!)
  return t.ratio * primary - secondary
}

/** Amps (magnitude) of a transformer's secondary. */
export function transformerAmps(t: TransformerBranch, s: Pick<Rest, 'volts'>): Amps {
  const re = drop(t, s.volts.re)
  const im = drop(t, s.volts.im)
  return asAmps(t.siemens * Math.sqrt(re * re + im * im))
}

/** Fuses, breakers and transformers that carry more than they are made for; a transformer: twice its rated amps. */
export function overcurrents(net: Netlist, s: Rest): Overcurrent[] {
  const found: Overcurrent[] = []
  for (const i of net.rated) {
    if (!s.closed[i]) continue
    const c = net.contacts[i]!
    const amps = asAmps(across(s.volts, c.a, c.b) * c.re)
    const limitA = asAmps(c.ratedA!)
    if (amps > limitA) found.push({ ref: c.ref, amps, limitA })
  }
  for (const t of net.transformers) {
    const amps = transformerAmps(t, s)
    const limitA = asAmps(2 * t.ratedA)
    if (amps > limitA) found.push({ ref: t.ref, amps, limitA })
  }
  return found
}
