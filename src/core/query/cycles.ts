import type { Installation } from '../installation'
import { burnersOf } from './heatParts'
import { hasStrips } from './heatSources'

/** Starts an hour that each source usually makes at most; practice differs. A condensing furnace asks for fewer. */
export const USUAL_CYCLES = { compressor: 3, strips: 9, gas: 5, condensing: 3, oil: 3 } as const
/** From this efficiency up a gas furnace condenses. */
const CONDENSES = 0.9

/** Usual limit of backup starts an hour, and whether the backup is strips; null where there is none. */
export function usualBackupCycles(inst: Installation): { most: number; strips: boolean } | null {
  const burners = burnersOf(inst)
  if (burners.some((b) => b.fuel === 'oil')) return { most: USUAL_CYCLES.oil, strips: false }
  if (burners.some((b) => (b.placed.device.plate.efficiency ?? 0) >= CONDENSES))
    return { most: USUAL_CYCLES.condensing, strips: false }
  if (burners.length) return { most: USUAL_CYCLES.gas, strips: false }
  return hasStrips(inst) ? { most: USUAL_CYCLES.strips, strips: true } : null
}
