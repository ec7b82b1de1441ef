import { evaluate, leaves, memoryId, normalState, type Call, type Expr, type SenseLeaf } from '../equipment'
import { makeRef, settingValue, type Installation, type Placed, type Ref } from '../installation'
import type { DegF } from '../units'
import { modesOf, sightOf, type Situation } from './situation'

/** The switches with a differential that stand inside it at this temperature: either answer is possible. */
export function memoriesAt(inst: Installation, outdoorF: DegF): Ref[] {
  const found = new Set<Ref>()
  for (const placed of inst.placed)
    for (const leaf of bandLeaves(placed)) {
      const at = leaf.below
      const below = typeof at === 'number' ? at : settingValue(placed, at.set)
      if (typeof below !== 'number') continue
      const low = typeof at === 'number' ? below : below * (at.times ?? 1)
      if (outdoorF >= low && outdoorF < low + (leaf.band ?? 0)) found.add(makeRef(placed.ref, memoryId(leaf)))
    }
  return [...found]
}

function bandLeaves(placed: Placed): (SenseLeaf & Expr)[] {
  const drivers = placed.device.parts.flatMap((p) => (p.kind === 'contact' ? leaves(p.driver) : []))
  return drivers.filter((l): l is SenseLeaf => 'sense' in l && (l.band ?? 0) > 0)
}

/** One thing that can vary beside call and temperature, with the states it can be in; the normal one first. */
interface Axis {
  ref: Ref
  states: string[]
}

/**
 * Every combination of modes that can occur for a call at an outdoor temperature (a proof's third factor).
 * A state is reachable when its condition is not "no" in that call and temperature; failures are left out.
 */
export function reachableModes(inst: Installation, call: Call, outdoorF: DegF): Record<Ref, string>[] {
  const bare: Situation = { call, outdoorF, modes: {} }
  const axes: Axis[] = modesOf(inst).map(({ ref, placed, mode }) => {
    const sight = sightOf(placed, bare)
    const states = mode.states
      .filter((s, i) => {
        if (i === 0 || s.reach === 'always') return true
        return typeof s.reach === 'object' && evaluate(s.reach, sight) !== 'no'
      })
      .map((s) => s.id)
    return { ref, states: states.length ? states : [normalState(mode)] }
  })
  const memories = memoriesAt(inst, outdoorF).map((ref) => ({ ref, states: ['made', 'broken'] }))
  let rows: Record<Ref, string>[] = [{}]
  for (const { ref, states } of [...memories, ...axes]) {
    if (states.length === 1) continue
    rows = rows.flatMap((row) =>
      states.map((s, i) => (i === 0 && !memories.some((m) => m.ref === ref) ? row : { ...row, [ref]: s })),
    )
  }
  return rows
}
