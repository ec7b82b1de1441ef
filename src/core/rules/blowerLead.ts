import { makeRef, type Installation, type Placed, type Ref } from '../installation'
import { isLeg, having, wiredNet } from '../query'
import type { JobRule } from './rule'

/** Leads by which a kit runs a blower itself: what it has on the line side that is no leg of its circuits. */
const leadsOf = ({ ref, device }: Placed): Ref[] =>
  device.terminals.filter((t) => t.side === 'line' && t.role === 'harness').map((t) => makeRef(ref, t.id))

const kitsWithLead = (inst: Installation): Placed[] =>
  having(inst, 'addsStrips').filter((p) => leadsOf(p).length > 0)

/** Terminals that lie on a blower motor itself, past no contact, and are no leg: where such a lead belongs. */
function placesFor(inst: Installation): Ref[] {
  const bare = { ...inst, wires: [] }
  return inst.placed.flatMap(({ ref, device }) => {
    const ends = device.parts.flatMap((p) =>
      p.kind === 'load' && p.does?.what === 'blower' ? [makeRef(ref, p.a), makeRef(ref, p.b)] : [],
    )
    const near = new Set(ends.flatMap((end) => [...wiredNet(bare, end)]))
    return device.terminals
      .filter((t) => t.role === 'harness' && !isLeg(t))
      .map((t) => makeRef(ref, t.id))
      .filter((at) => near.has(at))
  })
}

/**
 * A kit's own contact for the blower comes to the motor, past no other contact: strips then have air though the call for the
 * fan fails.
 */
export const blowerLead: JobRule<'blowerLead', 'blowerLeadOff'> = {
  id: 'blowerLead',
  scope: 'job',
  severity: 'warn',
  codes: ['blowerLeadOff'],
  applies: (inst) => kitsWithLead(inst).length > 0 && placesFor(inst).length > 0,
  find({ inst }) {
    const places = placesFor(inst)
    return kitsWithLead(inst).flatMap((kit) =>
      leadsOf(kit).flatMap((at) => {
        const net = wiredNet(inst, at)
        return places.some((place) => net.has(place)) ? [] : [{ at, code: 'blowerLeadOff' as const }]
      }),
    )
  },
}
