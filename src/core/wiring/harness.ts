import { hasTrait, type Terminal } from '../equipment'
import { makeRef, placedByRef, type Installation, type Placed, type Ref } from '../installation'
import type { Net } from './net'

/** A terminal by what it says on the device. */
const labelled = (p: Placed, label: string, is: (t: Terminal) => boolean = () => true): Ref | undefined => {
  const found = p.device.terminals.find((t) => t.label === label && is(t))
  return found && makeRef(p.ref, found.id)
}

/** A kit's leads, and a board's outputs for them, in the order of their rows; a kit's lead for common is none of them. */
const rowLeads = (p: Placed): Terminal[] =>
  p.device.terminals.filter((t) => t.side === 'low' && t.role === 'harness' && t.label !== 'C')

/**
 * The inputs of a kit, in the order of their rows, each with what it plugs into at an air handler: the board's own output
 * for that row, else the heat terminal that the lead is named after.
 */
export function pluggedInputs(ah: Placed, kit: Placed): { from: Ref; to: Ref }[] {
  const outputs = rowLeads(ah)
  return rowLeads(kit).flatMap(({ id, label }, row) => {
    const own = outputs[row]
    const from = own
      ? makeRef(ah.ref, own.id)
      : outputs.length
        ? undefined
        : labelled(ah, label, (t) => t.side === 'low')
    return from ? [{ from, to: makeRef(kit.ref, id) }] : []
  })
}

/** Leads of a kit's harness that go to the terminal of their own name in the cabinet: common, line and the blower's. */
export const straightLeads = (ah: Placed, kit: Placed): { label: string; from: Ref; to: Ref }[] =>
  ['C', 'L1', 'L2', 'BL'].flatMap((label) => {
    const [from, to] = [labelled(ah, label), labelled(kit, label)]
    return from && to ? [{ label, from, to }] : []
  })

/** Nets of the factory harnesses of a job. */
export function harnessNets(inst: Installation): Net[] {
  return inst.cables
    .filter((c) => c.kind === 'harness')
    .flatMap((c): Net[] => {
      const [ah, kit] = [placedByRef(inst, c.from), placedByRef(inst, c.to)]
      if (!ah || !kit) return []
      return [...pluggedInputs(ah, kit), ...straightLeads(ah, kit)].map(({ from, to }) => ({
        role: 'harness',
        points: [from, to],
      }))
    })
}

/** The pairs that a circuit may be landed on: a device with two circuits has L3 and L4 for the second. */
export const LINE_PAIRS = [
  ['L1', 'L2'],
  ['L3', 'L4'],
  ['L1', 'N'],
] as const

/** Nets of the line circuits of a job: each leg of a feed, or its neutral, and the terminal at the far end of its cable. */
export function lineNets(inst: Installation): Net[] {
  return inst.cables
    .filter((c) => c.kind === 'line')
    .flatMap((c): Net[] => {
      const [feed, far] = [placedByRef(inst, c.from), placedByRef(inst, c.to)]
      if (!feed || !far || !hasTrait(feed.device, 'feedsLine')) return []
      const landed = inst.wires.filter((w) => w.cable === c.id).flatMap((w) => [w.a, w.b])
      const [pair] = LINE_PAIRS.flatMap(([hot, other]) => {
        const ends = [
          [labelled(feed, 'L1'), labelled(far, hot)],
          [labelled(feed, other === 'N' ? 'N' : 'L2'), labelled(far, other)],
        ].map((points) => points.filter((p) => p !== undefined))
        if (ends.some((points) => points.length < 2)) return []
        return [{ ends, landed: ends.flat().filter((p) => landed.includes(p)).length }]
      }).sort((x, y) => y.landed - x.landed)
      return (pair?.ends ?? []).map((points): Net => ({ role: 'line', points }))
    })
}
