import { wireRef } from '../installation'
import type { Law } from './law'

/** Every low-voltage cable has a spare conductor left. */
export const spareLeft: Law = {
  id: 'spareLeft',
  severity: 'warn',
  applies: (inst) => inst.cables.some((c) => c.kind === 'low'),
  overall: ({ inst }) =>
    inst.cables
      .filter((c) => c.kind === 'low')
      .flatMap((c) => {
        const own = inst.wires.filter((w) => w.cable === c.id)
        if (!own.length || own.some((w) => !w.a && !w.b)) return []
        return [{ at: wireRef(own[own.length - 1]!.id), what: 'noSpare', call: 'off' as const }]
      }),
}
