import type { Installation, Ref } from '../installation'
import { makeRef } from '../installation'
import { JoinedRefs } from '../query'
import type { JobRule } from './rule'

/** Two transformers never feed the same conductor: out of phase they fight, and one holds the other's circuit alive. */
export const noParallel: JobRule<'noParallel', 'paralleled'> = {
  id: 'noParallel',
  scope: 'job',
  severity: 'danger',
  codes: ['paralleled'],
  applies: (inst) => hotEnds(inst).length > 1,
  find({ inst }) {
    const ends = hotEnds(inst)
    const joined = joinedIn(inst)
    for (const [i, a] of ends.entries())
      for (const b of ends.slice(i + 1))
        if (joined.of(a.hot) === joined.of(b.hot)) return [{ at: b.at, code: 'paralleled' }]
    return []
  },
}

interface HotEnd {
  at: Ref
  hot: Ref
}
const hotEnds = (inst: Installation): HotEnd[] =>
  inst.placed.flatMap((p) =>
    p.device.parts.flatMap((x) =>
      x.kind === 'transformer' ? [{ at: makeRef(p.ref, x.id), hot: makeRef(p.ref, x.c) }] : [],
    ),
  )

/** Points that copper and closed fuses make one. Contacts of relays and thermostats are taken as open. */
function joinedIn(inst: Installation): JoinedRefs {
  const joined = new JoinedRefs()
  for (const w of inst.wires) if (w.a && w.b) joined.join(w.a, w.b)
  for (const p of inst.placed)
    for (const x of p.device.parts)
      if (x.kind === 'path' || (x.kind === 'contact' && x.gate === 'fuse'))
        joined.join(makeRef(p.ref, x.a), makeRef(p.ref, x.b))
  return joined
}
