import type { Device, DeviceKind } from '@/core/equipment'
import { settingsWith } from '@/core/query'
import type { Installation } from '@/core/installation'
import type { Plan, Unmet } from '@/core/plan'
import { gearOf, planOf, type Choices } from './gear'

/** What the gear as chosen lacks: what the plan cannot give, or the outdoor temperature that its settings ask for. */
export type Lack = Unmet | 'noOutdoorTemperature'

/** Something that was not picked, and would give what is lacking. */
export interface Offer {
  lack: Lack
  devices: Device[]
}

/** Kinds of loose parts that can give what is lacking; what is not here needs other gear, or another practice. */
const GIVEN_BY: Partial<Record<Lack, readonly DeviceKind[]>> = {
  kitMissing: ['fuelKit'],
  interlockMissing: ['relay'],
  airMissing: ['airThermostat'],
  isolationMissing: ['relay'],
  leakMissing: ['leakSensor'],
  transformerSmall: ['transformer'],
  weakInput: ['relay', 'transformer'],
  noOutdoorTemperature: ['outdoorSensor'],
}
/** Parts of one kind that are offered for one thing. */
const MOST = 2

/** Whether the thermostat could go by the outdoor temperature, and nothing tells it any. */
const isBlind = (gear: Installation): boolean =>
  !gear.placed.some((p) => p.device.kind === 'outdoorSensor') &&
  settingsWith(gear, 'outdoorSource').some(({ placed }) =>
    placed.device.terminals.some((t) => t.role === 'S'),
  )

/**
 * The loose parts of the library that would give what the gear lacks. Each is put in and planned before it is offered: one
 * that leaves the lack as it was, or brings another, is not.
 */
export function offersFor(library: readonly Device[], c: Choices, gear: Installation, plan: Plan): Offer[] {
  const lacks: Lack[] = [
    ...new Set(plan.unmet),
    ...(isBlind(gear) ? (['noOutdoorTemperature'] as const) : []),
  ]
  const helps = (lack: Lack, device: Device): boolean => {
    const more = { ...c, extras: [...c.extras, device.id] }
    const tried = gearOf(library, more)
    if (!tried) return false
    const now = planOf(tried, more)
    const short = (p: Plan) => p.short.reduce((n, s) => n + s.by, 0)
    const known = new Set<Lack>(plan.unmet)
    if (!now.unmet.every((x) => known.has(x)) || short(now) > short(plan)) return false
    return lack === 'noOutdoorTemperature' ? !isBlind(tried) : !now.unmet.some((x) => x === lack)
  }
  return lacks.map((lack) => ({
    lack,
    devices: library
      .filter((d) => GIVEN_BY[lack]?.includes(d.kind) && !c.extras.includes(d.id))
      .filter((d) => helps(lack, d))
      .slice(0, MOST),
  }))
}
