import type { Volts } from '../units'
import type { Ref } from '../installation'
import { commonOf, makeRef } from '../installation'
import type { Circuit } from '../circuit'
import { solve } from '../circuit'
import type { Situation } from '../situation'
import { unknownsBehind, variantsOf } from './knownWays'
import { tolerances } from '../tolerances'

/** Meter reading that this job's circuit gives between a terminal and its device's own common. */
export interface Expectation {
  terminal: Ref
  label: string
  common: Ref
  /** V on a meter's low-impedance range: a ghost, such as an open triac lets through, is none there. */
  volts: Volts
  /** `unknown`: it depends on settings or conductors that are not known, which are named. */
  state: 'live' | 'dead' | 'between' | 'unknown'
  hangsOn: Ref[]
}
export interface DeviceExpectations {
  placed: string
  label: string
  terminals: Expectation[]
}

/** For each device that has a common, every other low-voltage terminal. Null: the circuit does not settle. */
export function expectations(circuit: Circuit, situation: Situation): DeviceExpectations[] | null {
  const ways = variantsOf(circuit)
  const solved = solve(ways.usual, situation)
  if (!solved.ok) return null
  const otherwise = new Map(ways.others.map((o) => [o.circuit, solve(o.circuit, situation)]))
  return circuit.inst.placed.flatMap((placed) => {
    const common = commonOf(placed)
    if (!common) return []
    const terminals = placed.device.terminals
      .filter((t) => t.side === 'low' && makeRef(placed.ref, t.id) !== common)
      .map((t): Expectation => {
        const terminal = makeRef(placed.ref, t.id)
        const volts = solved.meter(terminal, common, tolerances.lowMeterOhms)
        const usually = liveness(volts)
        const on = unknownsBehind(ways, usually, (circuit) => {
          const other = otherwise.get(circuit)
          return other?.ok ? liveness(other.meter(terminal, common, tolerances.lowMeterOhms)) : 'between'
        })
        const state = on.length ? 'unknown' : usually
        return { terminal, label: t.label, common, volts, state, hangsOn: on }
      })
    return [{ placed: placed.ref, label: placed.label, terminals }]
  })
}

/** 24 V there, not there, or something between that needs looking into. */
export const liveness = (volts: Volts): 'live' | 'dead' | 'between' =>
  volts >= tolerances.liveVolts ? 'live' : volts <= tolerances.deadVolts ? 'dead' : 'between'
