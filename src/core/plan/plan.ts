import type { Installation, Ref, Wire } from '../installation'
import { having } from '../query'
import type { TerminalRole } from '../equipment'
import {
  type Requirements,
  type Unmet,
  type PlanSetting,
  type PlanWhy,
  type WiringPractice,
  intendedNets,
} from '../wiring'
import type { Routing } from './routing'
import { fitConductors, type Remedy } from './shortage'
import { withHarnessesRight } from './assemble'
import { limitsOf } from './limits'

/** A landing for the gear that is there, conductor by conductor, with the settings that go with it. */
export interface Plan extends Routing {
  settings: PlanSetting[]
  /** Requirements of the chosen practice that this equipment cannot meet. */
  unmet: Unmet[]
  /** Conductors that the cables lack for everything; what that made it give up, the least first; what gets none even so. */
  lacking: number
  gaveUp: Remedy[]
  notLanded: TerminalRole[]
}

/**
 * Plans the landing of a job. What is landed right already stays, and so do line conductors and harnesses; a harness whose
 * inputs are exchanged is put right.
 */
export function planLanding(found: Installation, practice: WiringPractice): Plan {
  const inst = withHarnessesRight(found)
  const wanted = intendedNets(inst, practice)
  const { routing, ...fitted } = fitConductors(inst, wanted.nets, wanted.spareRelays, (r) =>
    planned(inst, { ...r, settings: wanted.settings }),
  )
  tellThermostats(inst, wanted, fitted.gaveUp)
  const plan = { ...routing, ...fitted, settings: wanted.settings, unmet: wanted.unmet }
  return { ...plan, unmet: [...plan.unmet, ...limitsOf(planned(inst, plan))] }
}

/** Sets thermostats for stages and a sensor that have no conductor of their own. */
function tellThermostats(inst: Installation, wanted: Requirements, gaveUp: readonly Remedy[]): void {
  for (const p of having(inst, 'onWall')) {
    if (gaveUp.includes('jumperStages')) wanted.set(p, 'backupStages', '1')
    if (gaveUp.includes('oneStage')) wanted.set(p, 'compressorStages', '1')
    if (gaveUp.includes('noSensor')) wanted.set(p, 'outdoorSource', 'feed')
  }
}

/** Conductors of a plan that a person lands: low-voltage cables and jumpers; no harness, no line conductor. */
export function landedBy(inst: Installation, plan: Plan): (Wire & { a: Ref; b: Ref; why: PlanWhy | null })[] {
  const low = new Set(inst.cables.filter((c) => c.kind === 'low').map((c) => c.id))
  return plan.wires.flatMap((w) => {
    if (!w.a || !w.b || (w.cable !== null && !low.has(w.cable))) return []
    return [{ ...w, a: w.a, b: w.b, why: plan.reasons.find((r) => r.wire === w.id)?.why ?? null }]
  })
}

/** The job as it would be with the plan landed and its settings made. */
export function planned(
  inst: Installation,
  plan: Pick<Plan, 'settings' | 'splices' | 'wires'>,
): Installation {
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
