import { nth } from '../assert'
import { wireRef } from '../installation'
import type { JobRule } from './rule'

/** Every low-voltage cable has a spare conductor left. */
export const spareLeft: JobRule<'spareLeft', 'noSpare'> = {
  id: 'spareLeft',
  scope: 'job',
  severity: 'warn',
  codes: ['noSpare'],
  applies: (inst) => inst.cables.some((c) => c.kind === 'low'),
  find: ({ inst }) =>
    inst.cables
      .filter((c) => c.kind === 'low')
      .flatMap((c) => {
        const own = inst.wires.filter((w) => w.cable === c.id)
        if (!own.length || own.some((w) => !w.a && !w.b)) return []
        return [{ at: wireRef(nth(own, own.length - 1).id), code: 'noSpare' }]
      }),
}
