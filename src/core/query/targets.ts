import type { LoadFunction } from '../equipment'
import { makeRef, type Installation, type Ref } from '../installation'

/** A load that can run, in the order in which screens list them. */
export interface Target {
  ref: Ref
  does: LoadFunction
}

const ORDER: LoadFunction['what'][] = [
  'compressor',
  'burner',
  'strip',
  'reversingValve',
  'outdoorFan',
  'blower',
  'humidifier',
]

/** Every load of the job that does something worth naming. */
export function targetsOf(inst: Pick<Installation, 'placed'>): Target[] {
  const found: Target[] = inst.placed.flatMap((p) =>
    p.device.parts.flatMap((part) =>
      part.kind === 'load' && part.does && ORDER.includes(part.does.what)
        ? [{ ref: makeRef(p.ref, part.id), does: part.does }]
        : [],
    ),
  )
  const rank = (t: Target) => ORDER.indexOf(t.does.what) * 100 + within(t.does)
  return found.sort((a, b) => rank(a) - rank(b))
}

/** Order among the same kind. */
function within(m: LoadFunction): number {
  if (m.what === 'strip') return m.row
  if (m.what === 'compressor' || m.what === 'burner') return m.stage
  return m.what === 'blower' ? ['fan', 'low', 'high', 'heat'].indexOf(m.speed ?? 'fan') : 0
}
