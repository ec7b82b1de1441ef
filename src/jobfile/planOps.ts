import { terminalOf, type Installation, type Wire } from '@/core/installation'
import type { Plan } from '@/core/plan'
import type { Operation } from './operation'

/**
 * The edits that turn what is landed into the plan: splices put in, jumpers taken out and put in, conductors moved,
 * settings made. What is right already is left alone.
 */
export function planOperations(inst: Installation, plan: Plan, newId: () => string): Operation[] {
  const isLow = (w: Wire) =>
    [w.a, w.b].every((r) => r === null || terminalOf(inst, r)?.terminal.side !== 'line')
  const same = (x: Wire, y: Wire) => (x.a === y.a && x.b === y.b) || (x.a === y.b && x.b === y.a)
  const jumpers = inst.wires.filter((w) => w.cable === null && isLow(w))
  const wanted = plan.wires.filter((w) => w.cable === null)
  const ops: Operation[] = []
  for (const s of plan.splices) {
    const { device, ...placed } = s
    ops.push({ kind: 'placeDevice', placed: { ...placed, device: device.id }, device })
  }
  for (const j of jumpers) if (!wanted.some((w) => same(w, j))) ops.push({ kind: 'removeWire', wire: j.id })
  for (const w of plan.wires) {
    const now = inst.wires.find((x) => x.id === w.id)
    if (w.cable === null || !now) continue
    if (same(now, w)) continue
    for (const end of ['a', 'b'] as const)
      if (now[end] !== w[end]) ops.push({ kind: 'landWire', wire: w.id, end, terminal: w[end] })
  }
  for (const w of wanted)
    if (!jumpers.some((j) => same(w, j))) ops.push({ kind: 'addWire', wire: { ...w, id: newId() } })
  for (const s of plan.settings)
    ops.push({ kind: 'setSetting', ref: s.placed, setting: s.setting, value: s.value })
  return ops
}
