import type { Installation } from '../installation'
import { lay, type Laid } from './lay'
import type { Cannot, PlanSetting, Schools } from './net'
import { wantedNets } from './nets'

/** A landing for the gear that is there, conductor by conductor, with the settings that go with it. */
export interface Plan extends Laid {
  settings: PlanSetting[]
  /** What the chosen schools ask and this gear cannot give. */
  cannot: Cannot[]
}

/** Plans the landing of a job. Nothing of what is landed now is looked at; line conductors and harnesses stay. */
export function planLanding(inst: Installation, schools: Schools): Plan {
  const wanted = wantedNets(inst, schools)
  return { ...lay(inst, wanted.nets), settings: wanted.settings, cannot: wanted.cannot }
}

/** The job as it would be with the plan landed and its settings made. */
export function planned(inst: Installation, plan: Plan): Installation {
  return {
    placed: [
      ...inst.placed.map((p) => {
        const own = plan.settings.filter((s) => s.placed === p.ref)
        if (!own.length) return p
        return {
          ...p,
          settings: { ...p.settings, ...Object.fromEntries(own.map((s) => [s.setting, s.value])) },
        }
      }),
      ...plan.splices,
    ],
    cables: inst.cables,
    wires: plan.wires,
  }
}
