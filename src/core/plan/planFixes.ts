import { placedByRef, splitRef, type Installation, type Ref } from '../installation'
import { fixesFor, type Change, type Finding, type Fix } from '../rules'
import { compare, type Difference } from './compare'
import { planLanding, planned } from './plan'
import { intendedWiring } from '../wiring'

/**
 * The smallest changes that clear a finding; those that the plan asks for come first: one, then two of them, then all.
 * Many a wire can be moved so that every rule holds by chance; the one that is landed otherwise than planned is wrong.
 */
export function fixesFromPlan(inst: Installation, finding: Finding): Fix[] {
  // By the practice that the job was wired by: another one would find much to change, and none of it wrong.
  const plan = planLanding(inst, intendedWiring(inst).practice)
  const settings = plan.settings.map(({ placed, setting, value }): Fix => [
    { kind: 'setSetting', placed, setting, value },
  ])
  const differences = compare(inst, planned(inst, plan)).map((d) => changesOf(inst, d))
  const steps = [...settings, ...differences].filter((step) => step.length && possible(inst, step))
  const pairs = steps.flatMap((one, i) => steps.slice(i + 1).map((other) => [...one, ...other]))
  return fixesFor(inst, finding, [steps, pairs, steps.length > 2 ? [steps.flat()] : []])
}

/** Changes that remove one difference from the plan. */
function changesOf(inst: Installation, d: Difference): Change[] {
  switch (d.kind) {
    case 'moved':
      return [{ kind: 'moveWire', wire: d.wire.id, end: d.end, to: d.to }]
    case 'swapped': {
      const end = d.one.a === d.at[0] ? 'a' : 'b'
      return [
        { kind: 'moveWire', wire: d.one.id, end, to: d.at[1] },
        { kind: 'moveWire', wire: d.other.id, end, to: d.at[0] },
      ]
    }
    case 'extra':
      return [{ kind: 'removeWire', wire: d.wire.id }]
    case 'missing': {
      if (d.by.cable === null) return [{ kind: 'addJumper', a: d.a, b: d.b }]
      const now = inst.wires.find((w) => w.id === d.by.id)
      return (['a', 'b'] as const).flatMap((end): Change[] => {
        const to = d.by[end]
        return to && to !== now?.[end] ? [{ kind: 'moveWire', wire: d.by.id, end, to }] : []
      })
    }
  }
}

/** Whether all that is landed on is there: a splice that the plan would make is not. */
const possible = (inst: Installation, step: Fix): boolean =>
  step.every((c) => {
    const refs: Ref[] = c.kind === 'moveWire' ? [c.to] : c.kind === 'addJumper' ? [c.a, c.b] : []
    return refs.every((r) => placedByRef(inst, splitRef(r).placed))
  })
