import type { Installation } from '../installation'
import { tolerances } from '../tolerances'
import { having } from './settings'

/** Whether the air handler's own table gives enough air for the outdoor unit's tons at its low speed. */
export function lowSpeedIsEnough(inst: Installation): boolean {
  const tons = having(inst, 'compresses').map((p) => p.device.plate.tons)[0]
  const table = having(inst, 'holdsStrips').flatMap((p) => p.device.plate.blower ?? [])
  const low = table.filter((r) => r.speed === 'low').map((r) => r.cfm)
  return tons !== undefined && low.length > 0 && Math.min(...low) >= tolerances.cfmPerTon[0] * tons
}
