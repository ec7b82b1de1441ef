import { commonOf, makeRef, type Placed } from '../installation'
import { tolerances } from '../tolerances'
import type { StateSeen } from './rule'

/**
 * Contacts of a thermostat that are open while their output terminal has 24 V from somewhere else, with current behind
 * it: what falls to a few volts on a meter's low-impedance range is a ghost, such as an open triac's snubber lets through.
 */
export function liveOutputs(
  placed: Placed,
  state: Pick<StateSeen, 'volts' | 'metered' | 'closed'>,
): string[] {
  // An output that nothing holds floats at any volts; one that is fed stands at R.
  const hot = placed.device.terminals.find((t) => t.role === 'R' && t.side === 'low')
  const common = commonOf(placed)
  if (!hot || !common) return []
  // Several relays may drive one terminal, such as G in heating and in cooling: it is off while all of them are open.
  const relays = placed.device.parts.filter((x) => x.kind === 'contact' && x.gate === 'thermostat')
  const driven = new Set(relays.flatMap((x) => (state.closed(makeRef(placed.ref, x.id)) ? [x.b] : [])))
  return relays.flatMap((x, i) => {
    if (driven.has(x.b) || relays.findIndex((other) => other.b === x.b) < i) return []
    if (!placed.device.terminals.some((t) => t.id === x.b)) return []
    const at = makeRef(placed.ref, x.b)
    const fed = state.volts(at, makeRef(placed.ref, hot.id)) < tolerances.deadVolts
    if (!fed || state.volts(at, common) < tolerances.liveVolts) return []
    return state.metered(at, common, tolerances.lowMeterOhms) >= tolerances.liveVolts ? [x.id] : []
  })
}
