import { amountOf, type Demand, type Intent, type Quantity } from '../equipment'
import { settingIn, type Installation, type Placed } from '../installation'
import { intentOf } from '../query'

/** The numbers by which calls are made, out of the device and its settings. */
export interface DemandNumbers {
  firstF: number
  overF: number
  secondF: number
  secondAfter: number
  droopF: number
  /** Nobody has said what the droop is: it is what is usual. */
  droopTaken: boolean
  releaseShare: number
  /** s; null: never. */
  upstage: number | null
  /** Calls an hour at half load; null: by the differential. */
  cycles: number | null
  recoveryFPerHour: number
}

/** Usual where neither the device nor a setting says (trade): Δ°F, and the part of the droop at which backup goes again. */
const USUAL = { firstF: 0.5, overF: 0, secondF: 1, comfortDroopF: 1, releaseShare: 0.5, rateF: 0.25 }
/** °F an hour by which an early start is calculated (estimate). */
const RECOVERY_F_PER_HOUR = 4

/** The thermostat that makes the calls of a job. */
export const thermostatOf = (inst: Installation): Placed | undefined =>
  inst.placed.find((p) => (p.device.calls ?? []).some((c) => c.call === 'heat1'))

/** Numbers of a device's demand and settings. */
export function demandNumbers(inst: Installation, placed: Placed | undefined): DemandNumbers {
  const own: Demand = placed?.device.demand ?? {}
  const amount = (q: Quantity | undefined): number | null =>
    q === undefined || !placed ? null : amountOf(q, (id) => settingIn(inst, placed, id))
  const said = (intent: Intent) => (placed ? intentOf(placed, intent) : null)
  const byIntent = (intent: Intent): number | null => {
    const value = said(intent)
    return typeof value === 'number' ? value : null
  }
  const droop = amount(own.backupF) ?? byIntent('stripOn') ?? byIntent('droop')
  const off = byIntent('stripOff')
  const droopF = droop === null || droop <= 0 ? USUAL.comfortDroopF : droop
  const upstage = amount(own.backupAfter) ?? (byIntent('upstageTimer') ?? 0) * 60
  const cycles = amount(own.cyclesPerHour) ?? byIntent('cyclesHeatPump')
  const byRate = cycles !== null && cycles > 0
  return {
    firstF: amount(own.firstF) ?? (byRate ? USUAL.rateF : USUAL.firstF),
    overF: amount(own.overF) ?? USUAL.overF,
    secondF: amount(own.secondF) ?? byIntent('stageDifferential') ?? USUAL.secondF,
    secondAfter: amount(own.secondAfter) ?? 0,
    droopF,
    droopTaken: droop === null,
    releaseShare:
      own.releaseShare ?? (off !== null && off < droopF ? Math.max(0, off) / droopF : USUAL.releaseShare),
    upstage: upstage > 0 ? upstage : null,
    cycles: byRate ? cycles : null,
    recoveryFPerHour:
      amount(own.recoveryFPerHour) ?? (said('earlyRecovery') === 'on' ? RECOVERY_F_PER_HOUR : 0),
  }
}
