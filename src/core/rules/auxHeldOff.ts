import { hasStrips, intentOf, isLanded, ofKind, terminalsWith } from '../query'
import type { Installation } from '../installation'
import type { StateRule } from './rule'

/** °F from which the job's own gate holds aux off: outdoor thermostats with their differential, or an aux lockout. */
function gateF(inst: Installation): number | null {
  const points: number[] = []
  for (const p of ofKind(inst, 'outdoorThermostat')) {
    if (!terminalsWith(p, 'switch').some((t) => isLanded(inst, t))) continue
    const value = intentOf(p, 'outdoorSwitch')
    const band = Number(p.device.plate.differentialF ?? 0)
    if (typeof value === 'number') points.push(value + band)
  }
  for (const p of ofKind(inst, 'thermostat')) {
    const source = intentOf(p, 'outdoorSource')
    const at = intentOf(p, 'auxLockout')
    if (
      intentOf(p, 'useAuxLockout') === 'on' &&
      (source === 'wired' || source === 'feed') &&
      typeof at === 'number'
    )
      points.push(at)
  }
  return points.length ? Math.min(...points) : null
}

/**
 * Electric backup stays off above its gate on ordinary calls, defrost and emergency excepted.
 * Energy codes ask for it (IECC residential, heat pump supplementary heat); the jurisdiction's text decides.
 */
export const auxHeldOff: StateRule<'auxHeldOff', 'auxAboveGate'> = {
  id: 'auxHeldOff',
  scope: 'state',
  severity: 'wrong',
  codes: ['auxAboveGate'],
  readsOutdoor: true,
  applies: (inst) => hasStrips(inst) && gateF(inst) !== null,
  each({ inst, situation, abnormalCount, facts }) {
    if (abnormalCount > 0 || situation.call === 'emergency' || !facts.stripsOn.length) return null
    const gate = gateF(inst)
    return gate !== null && situation.outdoorF >= gate
      ? { at: facts.stripsOn[0]!, code: 'auxAboveGate', numbers: [gate] }
      : null
  },
}
