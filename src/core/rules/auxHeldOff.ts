import { terminalOf, type Installation, type Placed, type Ref } from '../installation'
import { hasStrips, intentOf, isFelt, ofKind, terminalsWith, wiredNet } from '../query'
import { tolerances } from '../tolerances'
import type { Breach, StateRule, StateSeen } from './rule'

type Code = 'auxAboveGate' | 'auxNoGate' | 'switchHoldsNothing'

/** °F from which nothing of the backup is needed: the usual no-heat temperature. */
const NO_HEAT_F = 65

/** The °F from which an aux lockout of a thermostat holds its backup off; none where it is off or has no source. */
function lockoutF(placed: Placed): number[] {
  const source = intentOf(placed, 'outdoorSource')
  const at = intentOf(placed, 'auxLockout')
  const on = intentOf(placed, 'useAuxLockout') === 'on' && isFelt(source)
  return on && typeof at === 'number' ? [at] : []
}

/**
 * The °F from which an outdoor thermostat holds off what these inputs bring on: it is their gate where its two wires join
 * a heat output of a thermostat and one of the inputs, whether or not something leads past it. One in the compressor's
 * wire, or in the other bank's, is no gate of theirs.
 */
function switchF(inst: Installation, odt: Placed, inputs: readonly Ref[]): number[] {
  const ends = terminalsWith(odt, 'switch')
  const point = intentOf(odt, 'outdoorSwitch')
  if (typeof point !== 'number' || ends.length < 2) return []
  const nets = ends.map((end) => wiredNet(inst, end))
  const isOutput = (ref: Ref) => {
    const found = terminalOf(inst, ref)
    const heats = ['AUX', 'W1', 'W2', 'W3'].includes(found?.terminal.role ?? '')
    return heats && ['thermostat', 'zonePanel', 'fuelKit'].includes(found?.placed.device.kind ?? '')
  }
  const output = nets.some((net) => [...net].some(isOutput))
  const input = nets.some((net) => inputs.some((i) => net.has(i)))
  return output && input ? [point + (odt.device.plate.differentialF ?? 0)] : []
}

/** Whether an outdoor thermostat stands in the compressor's wire, which is another use of it. */
const holdsCompressor = (inst: Installation, odt: Placed): boolean =>
  terminalsWith(odt, 'switch').some((end) =>
    [...wiredNet(inst, end)].some((ref) => ['Y1', 'Y2'].includes(terminalOf(inst, ref)?.terminal.role ?? '')),
  )

/** The heat inputs of the indoor unit that are live. */
function liveInputs(state: StateSeen): Ref[] {
  const { inst } = state
  return ofKind(inst, 'airHandler', 'furnace', 'packagedUnit').flatMap((p) => {
    const [common] = terminalsWith(p, 'C')
    if (!common) return []
    return terminalsWith(p, 'W1', 'W2', 'W3').filter((t) => state.volts(t, common) >= tolerances.liveVolts)
  })
}

/**
 * Electric backup stays off above its gate on ordinary calls, defrost and emergency excepted, each row by the gate in its
 * own path; and has one. Energy codes ask for it (IECC residential, heat pump supplementary heat); the jurisdiction's text
 * decides.
 */
export const auxHeldOff: StateRule<'auxHeldOff', Code> = {
  id: 'auxHeldOff',
  scope: 'state',
  severity: 'wrong',
  codes: ['auxAboveGate', 'auxNoGate', 'switchHoldsNothing'],
  readsOutdoor: true,
  applies: hasStrips,
  each(state) {
    const { inst, situation, abnormalCount, facts } = state
    const ordinary = situation.call === 'heatAux1' || situation.call === 'heatAux2'
    if (abnormalCount > 0 || !ordinary || !facts.stripsOn.length) return null
    const inputs = liveInputs(state)
    const lockouts = ofKind(inst, 'thermostat').flatMap(lockoutF)
    const gates = [
      ...lockouts,
      ...ofKind(inst, 'outdoorThermostat').flatMap((odt) => switchF(inst, odt, inputs)),
    ]
    const [row] = facts.stripsOn
    if (!row) return null
    const found: Breach<Code>[] = []
    const gate = gates.length ? Math.min(...gates) : null
    if (gate !== null && situation.outdoorF >= gate)
      found.push({ at: row, code: 'auxAboveGate', numbers: [gate] })
    const idle =
      gate === null ? ofKind(inst, 'outdoorThermostat').find((o) => !holdsCompressor(inst, o)) : null
    if (idle) found.push({ at: idle.ref, code: 'switchHoldsNothing' })
    // One that opens warmer than that is none in mild weather.
    else if (gate === null ? situation.outdoorF >= NO_HEAT_F : gate > NO_HEAT_F && situation.outdoorF < gate)
      found.push({ at: row, code: 'auxNoGate', severity: 'warn', numbers: [NO_HEAT_F] })
    return found.length ? found : null
  },
}
