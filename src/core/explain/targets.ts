import type { Making } from '../equipment'
import { makeRef, type Installation, type Ref } from '../installation'

/** One thing that can run, in the order in which screens list them. */
export interface Target {
  ref: Ref
  making: Making
}

const ORDER: Making['what'][] = ['compressor', 'reversingValve', 'outdoorFan', 'blower', 'strip']

/** Every load of the job that does something worth naming. */
export function targetsOf(inst: Pick<Installation, 'placed'>): Target[] {
  const found: Target[] = inst.placed.flatMap((p) =>
    p.device.parts.flatMap((part) =>
      part.kind === 'load' && part.makes ? [{ ref: makeRef(p.ref, part.id), making: part.makes }] : [],
    ),
  )
  const rank = (t: Target) =>
    ORDER.indexOf(t.making.what) * 100 + (t.making.what === 'strip' ? t.making.row : 0)
  return found.sort((a, b) => rank(a) - rank(b))
}
