import { wantsBackup, type Call, type Intent } from '../equipment'
import { makeRef, settingValue, type Installation, type Placed } from '../installation'
import { demandNumbers } from '../time'
import type { DroopLimit, TestStep } from './testCard'

/** Δ°F below the setpoint at which a first stage is called for, as is usual. */
const FIRST_F = 1

const numberOf = (thermostat: Placed | undefined, intent: Intent): number | null => {
  const setting = thermostat?.device.settings.find((s) => s.intent === intent)
  const value = thermostat && setting ? settingValue(thermostat, setting.id) : null
  return typeof value === 'number' ? value : null
}

/**
 * How far the setpoint goes for a call: a first stage a degree, each further one its differential more, backup a degree past
 * the droop. A step for the heat pump alone stays below the droop; where it cannot, it is said that backup comes with it.
 */
export function callSteps(inst: Installation, call: Call): TestStep[] {
  const thermostat = inst.placed.find((p) => (p.device.calls ?? []).some((c) => c.call === call))
  // Without an entry the usual droop counts: the room answers to it all the same.
  const numbers = demandNumbers(inst, thermostat)
  const hasBackup = (thermostat?.device.calls ?? []).some((c) => c.call === 'heatAux1')
  const droop = hasBackup ? numbers.droopF : null
  const differential = numberOf(thermostat, 'stageDifferential') ?? 1
  const tests = (thermostat?.device.profile?.tests ?? []).map((text): TestStep => ({
    kind: 'installerTest',
    at: makeRef(thermostat?.ref ?? '', ''),
    text,
  }))
  const limitOf = (passes: boolean): DroopLimit | null =>
    droop === null ? null : { droopF: droop, passes, ...(numbers.droopTaken && { taken: true }) }
  const raise = (byF: number, limit: DroopLimit | null): TestStep => ({
    kind: 'setpoint',
    way: 'raise',
    byF,
    limit,
  })
  switch (call) {
    case 'off':
      return [{ kind: 'mode', mode: 'off' }]
    case 'fan':
      return [{ kind: 'mode', mode: 'fan' }]
    case 'cool1':
    case 'cool2':
      return [
        { kind: 'setpoint', way: 'lower', byF: FIRST_F + (call === 'cool2' ? differential : 0), limit: null },
        ...tests,
      ]
    case 'emergency':
      return [{ kind: 'mode', mode: 'emergency' }, raise(FIRST_F, null), ...tests]
    default:
      break
  }
  if (wantsBackup(call)) {
    const stages = (thermostat?.device.calls ?? []).some((c) => c.call === 'heat2') ? 2 : 1
    const first = droop === null ? FIRST_F + stages * differential : droop + 1
    const byF = first + (call === 'heatAux2' ? differential : 0)
    return [raise(byF, limitOf(true)), ...tests]
  }
  const byF = FIRST_F + (call === 'heat2' ? differential : 0)
  if (droop === null || byF < droop) return [raise(byF, limitOf(false)), ...tests]
  // Half a degree may still lie between; a stage that needs more than the droop never comes alone.
  const half = droop / 2
  if (call === 'heat1' && half >= 0.5) return [raise(half, limitOf(false)), ...tests]
  return [raise(byF, null), { kind: 'backupComesToo', droopF: droop }, ...tests]
}
