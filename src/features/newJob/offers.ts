import { hasTrait, type Device, type Trait } from '@/core/equipment'
import { having, settingsWith } from '@/core/query'
import type { Installation } from '@/core/installation'
import type { Plan, Unmet } from '@/core/plan'
import { gearOf, planOf, type Choices } from './gear'

/**
 * Missing parts of the chosen equipment: a requirement that the plan cannot meet, or the outdoor temperature that its
 * settings need.
 */
export type Lack = Unmet | 'noOutdoorTemperature'

/** Something that was not picked, and would give what is lacking. */
export interface Offer {
  lack: Lack
  devices: Device[]
  /** Closest cable when none fits, with the number of conductors that it lacks. */
  short: { device: Device; by: number } | null
}

/** Traits of loose parts that can give what is lacking; what is not here needs other gear, or another practice. */
const GIVEN_BY: Partial<Record<Lack, readonly Trait[]>> = {
  kitMissing: ['switchesFuel'],
  interlockMissing: ['isolates'],
  airMissing: ['feelsEnteringAir'],
  isolationMissing: ['isolates'],
  leakMissing: ['feelsLeak'],
  transformerSmall: ['addsTransformer'],
  weakInput: ['isolates', 'addsTransformer'],
  noOutdoorTemperature: ['sensesOutdoors'],
}
/** Parts of one kind that are offered for one thing. */
const MOST = 2

/** Whether the thermostat could use an outdoor temperature and gets none. */
const isBlind = (gear: Installation): boolean =>
  !having(gear, 'sensesOutdoors').length &&
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
  /** Conductors that are lacking with the part; null: it is no help. */
  const tried = (lack: Lack, device: Device): number | null => {
    const more = { ...c, extras: [...c.extras, device.id] }
    const gearWith = gearOf(library, more)
    if (!gearWith) return null
    const now = planOf(gearWith, more)
    const known = new Set<Lack>(plan.unmet)
    if (!now.unmet.every((x) => known.has(x))) return null
    const gone = lack === 'noOutdoorTemperature' ? !isBlind(gearWith) : !now.unmet.some((x) => x === lack)
    return gone ? Math.max(0, now.lacking - plan.lacking) : null
  }
  return lacks.map((lack) => {
    const all = library
      .filter((d) => GIVEN_BY[lack]?.some((trait) => hasTrait(d, trait)) && !c.extras.includes(d.id))
      .flatMap((device) => {
        const by = tried(lack, device)
        return by === null ? [] : [{ device, by }]
      })
    const fits = all.filter((x) => x.by === 0).map((x) => x.device)
    return { lack, devices: fits.slice(0, MOST), short: fits.length ? null : (all[0] ?? null) }
  })
}
